import { engineering, formatQuantity, type Unit } from '@/core/quantity';
import { type Sample, traceText } from '@/core/reading';
import { type MeterView } from './useMeter';
import styles from './meter.module.css';

interface LiveMeterProps {
  readonly view: MeterView | undefined;
  /** What is asked for. */
  readonly unit: Unit;
  readonly title: string;
  /** The readings of this touch. */
  trace(): readonly Sample[];
}

/** Readings drawn behind the figure. */
const drawn = 160;

/** The figure of the meter, large enough for eyes that are on the pin. */
export function LiveMeter({ view, unit, title, trace }: LiveMeterProps) {
  const { value, unit: sent = unit } = view ?? {};
  const shown =
    value === undefined ? undefined : value === Infinity ? { number: 'OL', prefix: '' } : engineering(value, sent, 4);
  return (
    <div className={styles.meter} role="status" aria-label="Meter" data-wrong={isWrong(view) || undefined}>
      {value !== undefined && !view?.onBefore && <TraceLine samples={trace().slice(-drawn)} />}
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

/** How the figure came to where it is. */
function TraceLine({ samples }: { samples: readonly Sample[] }) {
  const finite = samples.filter(({ value }) => Number.isFinite(value));
  const [first, last] = [finite[0], finite[finite.length - 1]];
  if (!first || !last || last.at <= first.at) return null;
  const values = finite.map(({ value }) => value);
  const [low, high] = [Math.min(...values), Math.max(...values)];
  const points = finite.map(({ at, value }) => {
    const x = (100 * (at - first.at)) / (last.at - first.at);
    return `${x.toFixed(1)},${(30 - (30 * (value - low)) / (high - low || 1)).toFixed(1)}`;
  });
  return (
    <svg viewBox="0 -2 100 34" preserveAspectRatio="none" aria-hidden>
      <polyline points={points.join(' ')} />
    </svg>
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
  const doing = view?.doing && !view.onBefore ? traceText(view.doing, view.unit ?? unit) : undefined;
  if (doing !== undefined) return `: ${doing}.`;
  if (view?.onBefore) return ': still on the point before, which is put right if it creeps on.';
  return '. Recorded when it settles.';
}
