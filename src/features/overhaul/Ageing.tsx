import { type ReactNode } from 'react';
import { type Condition } from '@/core/overhaul';
import { type ReturnsSeen, yearsWanted } from '@/core/proof';
import { partName } from '@/core/sheet';
import { chanceText, VerdictMark } from '@/ui';
import { ageingText } from './overhaulModel';
import styles from './overhaul.module.css';

interface AgeingProps {
  readonly condition: Condition;
  readonly currency: string;
  readonly seen: ReturnsSeen;
  /** The way to put right what was found. */
  readonly children: ReactNode;
}

/** So many parts are named that may go next. */
const named = 9;
const namedAlone = 12;

/** What may go next in a set that works, and what is better left alone. */
export function Ageing({ condition: { ageing, found, risk }, currency, seen, children }: AgeingProps) {
  const worth = ageing.filter(({ judged }) => judged !== 'leave').slice(0, named);
  const alone = ageing.filter(({ judged }) => judged === 'leave');
  return (
    <section aria-label="What may go next" className={styles.ageing}>
      {found.length > 0 && (
        <div className={styles.found}>
          <h2 className="label">Read off: put right first</h2>
          <ul>
            {found.map(({ check, said, verdict }) => (
              <li key={check.id}>
                <VerdictMark mark={verdict.mark} /> {check.title} <b className="figure">{said}</b>, {verdict.words}
              </li>
            ))}
          </ul>
          {children}
        </div>
      )}
      <h2 className="label">What may go next, within {yearsWanted} years</h2>
      <p>
        <b className="figure">{chanceText(risk.any)}</b> that it needs the bench again
        {risk.same > 0 && `: ${chanceText(risk.other)} for another part, ${chanceText(risk.same)} for what was done`}.
      </p>
      <table>
        <thead>
          <tr>
            <th scope="col">Part</th>
            <th scope="col">fails</th>
            <th scope="col">a new one</th>
          </tr>
        </thead>
        <tbody>
          {worth.map((one) => (
            <tr key={one.part.id} data-judged={one.judged}>
              <th scope="row">{partName(one.part)}</th>
              <td className="figure">{(100 * one.chance).toFixed(1)} %</td>
              <td>{ageingText(one, currency)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {alone.length > 0 && (
        <p>
          <b>Leave alone</b>, likelier harmed by a new one than to fail:{' '}
          {alone
            .slice(0, namedAlone)
            .map(({ part }) => part.id)
            .join(', ')}
          {alone.length > namedAlone && ` and ${alone.length - namedAlone} more`}. Trimmers stay as they stand while
          their rail reads right.
        </p>
      )}
      <p className="soft">
        By the sheet, your closed jobs and{' '}
        {seen.sets === 0 ? 'ordinary figures of restored sets' : `how ${seen.sets} of your sets came back`}; a new can
        for all of a kind is weighed on the kit’s page.
      </p>
    </section>
  );
}
