import Link from 'next/link';
import { type Waited, type Week } from '@/core/days';
import { minutesText, moneyText } from '@/ui';
import styles from './week.module.css';

/** So many days, with a decimal where they are few. */
export const daysText = (days: number) => `${days.toFixed(days < 10 ? 1 : 0)} d`;

/** Sets that waited for parts, and for which. */
export function WaitedFor({ waited }: { readonly waited: readonly Waited[] }) {
  return (
    <section aria-label="Waited for parts">
      <h2 className="label">Waited for parts</h2>
      <table className={styles.table}>
        <thead>
          <tr>
            <th scope="col">Set</th>
            <th scope="col">For</th>
            <th scope="col">Days of the week</th>
          </tr>
        </thead>
        <tbody>
          {waited.map(({ job, title, days, parts }) => (
            <tr key={job}>
              <th scope="row">
                <Link href={`/job/${job}/bench`}>{title}</Link>
              </th>
              <td>{parts.join(', ')}</td>
              <td className="figure">{daysText(days)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

interface TableProps {
  readonly week: Week;
  readonly currency: string;
}

/** The sets that were closed, with what each took and brought. */
export function Closed({ week: { closed }, currency }: TableProps) {
  if (closed.length === 0) return null;
  return (
    <section aria-label="Sets closed">
      <h2 className="label">Sets closed</h2>
      <table className={styles.table}>
        <thead>
          <tr>
            <th scope="col">Set</th>
            <th scope="col">Cause</th>
            <th scope="col">Bench</th>
            <th scope="col">Days here</th>
            <th scope="col">Parts</th>
            <th scope="col">Worth</th>
          </tr>
        </thead>
        <tbody>
          {closed.map(({ job, title, cause, minutes, days, money, value }) => (
            <tr key={job}>
              <th scope="row">
                <Link href={`/notebook/${job}`}>{title}</Link>
              </th>
              <td>{cause}</td>
              <td className="figure">{minutesText(minutes)}</td>
              <td className="figure">{days}</td>
              <td className="figure">{moneyText(money, currency)}</td>
              <td className="figure">{moneyText(value, currency)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

/** Repairs that were not the cure. */
export function WrongTurns({ week: { wrongTurns }, currency }: TableProps) {
  return (
    <section aria-label="Repairs that were not the cure">
      <h2 className="label">Repairs that were not the cure</h2>
      <table className={styles.table}>
        <thead>
          <tr>
            <th scope="col">Set</th>
            <th scope="col">Repair</th>
            <th scope="col">Took</th>
            <th scope="col">Parts</th>
          </tr>
        </thead>
        <tbody>
          {wrongTurns.map(({ set, title, minutes, money }, place) => (
            <tr key={place}>
              <th scope="row">{set}</th>
              <td>{title}</td>
              <td className="figure">{minutesText(minutes)}</td>
              <td className="figure">{moneyText(money, currency)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
