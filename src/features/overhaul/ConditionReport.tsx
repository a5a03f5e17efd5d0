import Link from 'next/link';
import { type Condition, conditionOf, overhaulOf } from '@/core/overhaul';
import { type ReturnsSeen, yearsWanted } from '@/core/proof';
import { caseOf, type JobFile } from '@/workshop/job';
import { chanceText, dateText, Paper, PrintHead } from '@/ui';
import styles from './overhaul.module.css';

interface ConditionReportProps {
  readonly file: JobFile;
  readonly seen: ReturnsSeen;
  readonly shop: string;
}

/** So many parts are named that may go next. */
const named = 6;

/** Lines of the report: what stands before, and what is said. */
function linesOf({ putRight, open: all, ageing, undone }: Condition): readonly (readonly [string, string])[] {
  const next = ageing.filter(({ judged }) => judged !== 'leave').slice(0, named);
  const open = all.filter(({ before }) => before === undefined);
  const again = all.flatMap(({ before }) => before ?? []);
  return [
    ['Put right', putRight.join('; ')],
    ['Off before that, not measured since', again.map(({ check, said }) => `${check.title} ${said}`).join(', ')],
    ['Not measured', open.map(({ check, passed }) => `${check.title}${passed ? ' (out of reach)' : ''}`).join(', ')],
    ['Likeliest to go next', next.map(({ part, chance }) => `${part.title} ${(100 * chance).toFixed(1)} %`).join(', ')],
    ['Not as it was', undone.join(', ')],
  ];
}

/** How a set stands, for its owner or for whoever buys it: to be printed. */
export function ConditionReport({ file, seen, shop }: ConditionReportProps) {
  const job = caseOf(file, file.entries);
  const condition = conditionOf(job, overhaulOf(job), seen, yearsWanted);
  const { bench } = job;
  const last = bench.readings.at(-1)?.entry.at ?? file.createdAt;
  const { found, right, risk } = condition;
  const lines = linesOf(condition).filter(([, text]) => text !== '');
  const rows = [...found, ...right];
  const unproven = condition.open.some(({ before }) => before !== undefined);
  return (
    <div className={styles.report}>
      <PrintHead title="Condition report" about="as the set stands by its record">
        <Link href={`/job/${file.id}/overhaul`}>Back to the overhaul</Link>
      </PrintHead>
      <Paper
        label="Condition report"
        head={shop || 'Condition report'}
        date={dateText(last)}
        foot={
          <>
            Measured until {dateText(last)}, and no promise: old sets go on ageing, and local rules on mains equipment
            apply. Do not open it: it holds charge for long after the plug is out.
          </>
        }
      >
        <h2>{[file.title, file.place].filter(Boolean).join(', ')}</h2>
        {file.sheet.title !== file.title && <p>{file.sheet.title}</p>}
        <p className={styles.sum}>
          {found.length > 0
            ? `${found.length} of ${rows.length} measured ${found.length === 1 ? 'is' : 'are'} off.`
            : `Nothing of ${rows.length} measured is off${unproven ? ', as far as it was measured again' : ''}. That it needs the bench again within ${yearsWanted} years: ${chanceText(risk.any)}.`}
        </p>
        <dl>
          {lines.map(([title, text]) => (
            <div key={title}>
              <dt>{title}</dt>
              <dd>{text}</dd>
            </div>
          ))}
        </dl>
        {rows.length > 0 && (
          <table>
            <thead>
              <tr>
                <th scope="col">Looked at and measured</th>
                <th scope="col">found</th>
                <th scope="col">a good set</th>
              </tr>
            </thead>
            <tbody>
              {rows.map(({ check, said, verdict }) => (
                <tr key={check.id}>
                  <th scope="row">{check.title}</th>
                  <td>
                    {said} {verdict.mark === 'within' ? '●' : `◇ ${verdict.words}`}
                  </td>
                  <td className={styles.whole}>{verdict.expected}</td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
      </Paper>
    </div>
  );
}
