import { type Context } from '../behaviour';
import { kindOf, kinds, type LogBody } from './kinds';
import { type TypedAt } from './line';

/** What is changed about a set for a try: `CN802 pulled`. */
export function changesMade({ unplugged, cut, strapped, lifted, bridged, donors }: Context): string[] {
  return [
    ...unplugged.map((id) => `${id} pulled`),
    ...cut.map((lead) => `${lead.replace('/', ' ')} cut`),
    ...strapped.map((net) => `${net} strapped`),
    ...lifted.map((id) => `${id} lifted`),
    ...bridged.map((id) => `${id} bridged`),
    ...donors.map((id) => `donor ${id}`),
  ];
}

/** How a line is said in a list of what happened. */
export const lineText = (body: LogBody): string => kindOf(body).said(body);

/**
 * The change of the set that typed words come to, of whatever kind; undefined where they are none.
 *
 * @throws Refusal where they are one that cannot be made
 */
export function typedChange(words: readonly string[], at: Omit<TypedAt, 'typed'>): LogBody | undefined {
  const small = words.map((word) => word.toLowerCase());
  for (const kind of Object.values(kinds)) {
    const body = kind.typed?.(small, { ...at, typed: words });
    if (body) return body;
  }
  return undefined;
}
