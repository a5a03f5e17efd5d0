import { minutesText, moneyText } from '@/ui';
import { type JobFile } from '@/workshop/job';
import styles from './close.module.css';

interface SumsProps {
  readonly file: Pick<JobFile, 'value' | 'currency' | 'hourlyRate'>;
  readonly money: number;
  readonly minutes: number;
}

/** What is left of the set's value after parts and work. */
export function Sums({ file: { value, currency, hourlyRate }, money, minutes }: SumsProps) {
  const work = (minutes / 60) * hourlyRate;
  const left = value - money - work;
  return (
    <dl className={styles.sums}>
      <dt>Value</dt>
      <dd className="figure">{moneyText(value, currency)}</dd>
      <dt>Parts</dt>
      <dd className="figure">−{moneyText(money, currency)}</dd>
      <dt>{minutesText(minutes)} of work</dt>
      <dd className="figure">−{moneyText(Math.round(work), currency)}</dd>
      <dt>
        <b>Left</b>
      </dt>
      <dd className="figure">
        <b>
          {left < 0 ? '−' : ''}
          {moneyText(Math.abs(Math.round(left)), currency)}
        </b>
      </dd>
    </dl>
  );
}
