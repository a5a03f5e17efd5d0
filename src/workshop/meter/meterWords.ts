import { formatQuantity, type Unit } from '@/core/quantity';
import { traceText } from '@/core/reading';
import { type MeterView } from './useMeter';

/** How a meter stands, in words. */
export interface MeterWords {
  /** `wrong` gives no reading as it is; `doing` is on the way to one, or is none; `waits` settles. */
  readonly kind: 'wrong' | 'doing' | 'waits';
  /** What is said once, until another takes its place, however the figures in its text move. */
  readonly about: string;
  readonly text: string;
}

const wrong = (about: string, text: string): MeterWords => ({ kind: 'wrong', about, text });

/** What keeps the figure from being recorded, or when it will be. */
export function meterWords(view: MeterView | undefined, unit: Unit): MeterWords {
  if (view?.lost) return wrong('lost', 'it broke off before it settled. Touch the point again: Alt M twice');
  if (view?.otherUnit) return wrong('unit', `set to ${view.unit}, and ${unit} is asked for: turn its dial`);
  if (view?.beyond) {
    const range = view.beyond.range === undefined ? '' : ` of ${formatQuantity(view.beyond.range, unit)}`;
    return wrong('beyond', `beyond its range${range}, which is no reading here. Take a higher one`);
  }
  if (view && view.garbage > 0)
    return {
      kind: 'doing',
      about: 'garbage',
      text: `${view.garbage === 1 ? 'one line was no reading' : `${view.garbage} lines were no readings`}: ${view.lastGarbage}`,
    };
  if (view?.asLifted)
    return {
      kind: 'doing',
      about: 'lifted',
      text: 'as lifted probes read, too. If they are on the point, Enter records it',
    };
  const doing = view?.doing && !view.onBefore ? traceText(view.doing, view.unit ?? unit) : undefined;
  if (doing !== undefined) return { kind: 'doing', about: view!.doing!.shape.kind, text: doing };
  if (view?.onBefore)
    return { kind: 'waits', about: 'before', text: 'still on the point before, put right if it creeps on' };
  return { kind: 'waits', about: 'settles', text: 'recorded when it settles' };
}
