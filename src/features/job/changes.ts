import { type Context } from '@/core/behaviour';
import { type LogBody } from '@/core/reading';

/** What is changed about a set for a try: `CN802 pulled`. */
export function changesMade({ unplugged, lifted, bridged, donors }: Context): string[] {
  return [
    ...unplugged.map((id) => `${id} pulled`),
    ...lifted.map((id) => `${id} lifted`),
    ...bridged.map((id) => `${id} bridged`),
    ...donors.map((id) => `donor ${id}`),
  ];
}

/** A change made for a try, in words. */
export function changeTitle({
  change,
  target,
  on,
}: Pick<Extract<LogBody, { kind: 'intervention' }>, 'change' | 'target' | 'on'>): string {
  switch (change) {
    case 'lifted':
      return on ? `Lift a leg of ${target}` : `Solder ${target} back`;
    case 'bridged':
      return on ? `Bridge ${target}` : `Take the bridge off ${target}`;
    case 'donors':
      return on ? `Try a donor’s ${target} board` : `Put the set’s own ${target} board back`;
  }
}
