import { type Context } from '@/core/behaviour';
import { type BenchState } from '@/core/log';
import { useHotkeys } from 'react-hotkeys-hook';
import { type NewLine } from './useLog';

/** The keys that change the set's power state, the same on every page of a job and in practice. */
export function usePowerKeys(
  { record }: { record(lines: readonly NewLine[]): unknown },
  { context, isolated }: { readonly context: Pick<Context, 'power' | 'lamp'> } & Pick<BenchState, 'isolated'>,
  closed: boolean,
): void {
  const keys = { enableOnFormTags: true, preventDefault: true, enabled: !closed } as const;
  const power = context.power === 'live' ? 'unplugged' : 'live';
  useHotkeys('alt+p', () => record([{ body: { kind: 'power', power } }]), keys);
  useHotkeys('alt+l', () => record([{ body: { kind: 'lamp', fitted: !context.lamp } }]), keys);
  useHotkeys('alt+i', () => record([{ body: { kind: 'isolation', fitted: !isolated } }]), keys);
}
