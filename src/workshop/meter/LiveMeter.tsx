import { engineering, type Unit } from '@/core/quantity';
import { type Sample } from '@/core/reading';
import { meterWords } from './meterWords';
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
  const words = meterWords(view, unit);
  const shown =
    value === undefined ? undefined : value === Infinity ? { number: 'OL', prefix: '' } : engineering(value, sent, 4);
  return (
    <div className={styles.meter} role="status" aria-label="Meter" data-wrong={words.kind === 'wrong' || undefined}>
      {value !== undefined && !view?.onBefore && <TraceLine samples={trace().slice(-drawn)} />}
      <b className="figure">{shown?.number ?? '–'}</b>
      <span>
        {shown?.prefix}
        {sent}
      </span>
      <small>
        {title}: {words.text}.
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
