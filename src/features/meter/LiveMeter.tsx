import { engineering, type Unit } from '@/core/quantity';
import { type MeterView } from './useMeter';
import styles from './meter.module.css';

/** The figure of the meter, large enough for eyes that are on the pin. */
export function LiveMeter({ view, unit, title }: { view: MeterView | undefined; unit: Unit; title: string }) {
  const { value } = view ?? {};
  const shown =
    value === undefined ? undefined : value === Infinity ? { number: 'OL', prefix: '' } : engineering(value, unit, 4);
  return (
    <div className={styles.meter} role="status" aria-label="Meter" data-lost={view?.lost || undefined}>
      <b className="figure">{shown?.number ?? '–'}</b>
      <span>
        {shown?.prefix}
        {unit}
      </span>
      <small>
        {view?.lost
          ? `${title}: it broke off before it settled. Touch the point again: Alt M twice.`
          : view && view.garbage > 0
            ? `${view.garbage} lines were no readings: ${view.lastGarbage}`
            : view?.onBefore
              ? `${title}: still on the point before, which is put right if it creeps on`
              : `${title}. Recorded when it settles`}
      </small>
    </div>
  );
}
