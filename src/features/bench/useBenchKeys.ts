import { useHotkeys } from 'react-hotkeys-hook';
import { type ProbeAdvice } from '@/core/diagnosis';
import { type BenchControl } from './useBench';

interface BenchActions {
  readonly control: Pick<BenchControl, 'choose' | 'unreachable' | 'takeBack'>;
  /** Probes that may be made in place of the first, in the order of their keys. */
  readonly others: readonly ProbeAdvice[];
  toggleLarge(): void;
  toggleVoice(): void;
  toggleMeter(): void;
  toggleWarm(): void;
  say(): void;
  toRepair(): void;
  toTrace(): void;
}

const keys = { enableOnFormTags: true, preventDefault: true } as const;

/** Every action of the bench has a key; those of the set's power are the job's. */
export function useBenchKeys({ control, others, ...actions }: BenchActions): void {
  useHotkeys('alt+g', actions.toggleLarge, keys);
  useHotkeys('alt+a', actions.toggleVoice, keys);
  useHotkeys('alt+m', actions.toggleMeter, keys);
  useHotkeys('alt+w', actions.toggleWarm, keys);
  useHotkeys('alt+s', actions.say, keys);
  useHotkeys('alt+r', actions.toRepair, keys);
  useHotkeys('alt+t', actions.toTrace, keys);
  useHotkeys('alt+x', control.unreachable, keys);
  useHotkeys('alt+z', control.takeBack, keys);
  useHotkeys('alt+v', () => control.choose('picture'), keys);
  useHotkeys('alt+1', () => control.choose(undefined), keys);
  useHotkeys(
    'alt+2,alt+3,alt+4',
    (_event, { keys: pressed }) => control.choose(others[Number(pressed?.[0]) - 2]?.probe.id),
    keys,
  );
}
