import { engineering, formatQuantity, type Unit } from '@/core/quantity';
import { type MeterView } from './useMeter';
import styles from './meter.module.css';

interface LiveMeterProps {
  readonly view: MeterView | undefined;
  /** What is asked for. */
  readonly unit: Unit;
  readonly title: string;
}

/** The figure of the meter, large enough for eyes that are on the pin. */
export function LiveMeter({ view, unit, title }: LiveMeterProps) {
  const { value, unit: sent = unit } = view ?? {};
  const shown =
    value === undefined ? undefined : value === Infinity ? { number: 'OL', prefix: '' } : engineering(value, sent, 4);
  return (
    <div className={styles.meter} role="status" aria-label="Meter" data-wrong={isWrong(view) || undefined}>
      <b className="figure">{shown?.number ?? '–'}</b>
      <span>
        {shown?.prefix}
        {sent}
      </span>
      <small>
        {title}
        {stands(view, unit)}
      </small>
    </div>
  );
}

const isWrong = (view: MeterView | undefined) => view && (view.lost || view.otherUnit || view.beyond !== undefined);

/** What keeps the figure from being recorded, or when it will be. */
function stands(view: MeterView | undefined, unit: Unit): string {
  if (view?.lost) return ': it broke off before it settled. Touch the point again: Alt M twice.';
  if (view?.otherUnit) return ` is set to ${view.unit}, and ${unit} is asked for: turn its dial.`;
  if (view?.beyond) {
    const range = view.beyond.range === undefined ? '' : ` of ${formatQuantity(view.beyond.range, unit)}`;
    return `: beyond its range${range}, which is no reading here. Take a higher one.`;
  }
  if (view && view.garbage > 0) return `: ${view.garbage} lines were no readings: ${view.lastGarbage}`;
  if (view?.asLifted) return ': as lifted probes read, too. If they are on the point, Enter records it.';
  if (view?.onBefore) return ': still on the point before, which is put right if it creeps on.';
  return '. Recorded when it settles.';
}
