import { type Check } from '@/core/behaviour';
import { engineering, type Unit } from '@/core/quantity';
import { rippleSource } from '@/core/reading';
import { type FedSweep } from '@/instruments';
import styles from './meter.module.css';

const width = 240;
const height = 64;

/** To three digits: more a sampler does not give. */
function engineered(value: number, unit: Unit): string {
  const { number, prefix } = engineering(value, unit, 3);
  return `${number} ${prefix}${unit}`;
}

/** A sweep with the check it was taken for. */
export interface Swept {
  readonly check: Check;
  readonly sweep: FedSweep;
}

/** The sweep that was taken last: its shape, and what it comes to. */
export function SweepView({ check, sweep: { sweep, wave } }: Swept) {
  const from = sweep[0]!.at;
  const span = sweep[sweep.length - 1]!.at - from;
  const y = (value: number) => height - ((value - wave.low) / (wave.peakToPeak || 1)) * height;
  const points = sweep.map(({ at, value }) => `${(((at - from) / span) * width).toFixed(1)},${y(value).toFixed(1)}`);
  const source = check.measure !== 'ripple' || wave.hertz === undefined ? undefined : rippleSource(wave.hertz);
  return (
    <figure className={styles.sweep} aria-label="Sweep">
      <svg viewBox={`-2 -6 ${width + 4} ${height + 12}`} preserveAspectRatio="none" aria-hidden>
        <line x1={0} x2={width} y1={y(wave.mean)} y2={y(wave.mean)} />
        <polyline points={points.join(' ')} />
      </svg>
      <figcaption>
        <span>{check.title}</span>
        <b className="figure">{engineered(wave.peakToPeak, 'V')} top to bottom</b>
        <span className="figure">
          {wave.hertz === undefined ? 'no period' : engineered(wave.hertz, 'Hz')}, on {engineered(wave.mean, 'V')}
        </span>
        {source !== undefined && <small>{source}</small>}
      </figcaption>
    </figure>
  );
}
