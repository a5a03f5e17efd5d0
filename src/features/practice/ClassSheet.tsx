import Link from 'next/link';
import { deference } from '@/core/safety';
import { depict } from '@/core/picture';
import { minutesText, Paper, PictureView, PrintHead } from '@/ui';
import { type Solution } from './roomActions';
import styles from './room.module.css';

/** Rows of a work sheet. */
const rows = 14;

interface ClassSheetProps {
  readonly title: string;
  readonly solution: Solution;
  /** For the teacher: what was wrong, and the planner’s way. */
  readonly answers: boolean;
}

/** An exercise on paper, for a room without computers: what is known and where to write, or the answers. */
export function ClassSheet({ title, solution, answers }: ClassSheetProps) {
  return (
    <div className={styles.sheet}>
      <PrintHead title={answers ? 'Answer sheet' : 'Work sheet'}>
        <Link href="/practice/room">Back to the class</Link>
      </PrintHead>
      <Paper
        label={answers ? 'Answer sheet' : 'Work sheet'}
        head={title}
        date={answers ? 'Answers' : 'Name ______________________'}
        foot={deference}
      >
        <h2>{solution.set}</h2>
        {solution.symptoms.length > 0 && (
          <div className={styles.seen}>
            <PictureView picture={depict(solution.family, solution.symptoms)} />
          </div>
        )}
        <p>{solution.complaint}</p>
        {answers ? (
          <>
            <h3>{solution.culprit}</h3>
            <p>The planner finds and cures it in {minutesText(solution.minutes)}:</p>
            <ol className={styles.answers}>
              {solution.steps.map(({ title: step, minutes }, place) => (
                <li key={place}>
                  {step}, {minutesText(minutes)}
                </li>
              ))}
            </ol>
            <p>Whoever asks for a reading is told, the set as it was brought in:</p>
            <ul className={styles.readings}>
              {solution.readings.map(({ title: point, state, value }, place) => (
                <li key={place}>
                  {point}, {state}: <b className="figure">{value}</b>
                </li>
              ))}
            </ul>
          </>
        ) : (
          <table className={styles.steps}>
            <thead>
              <tr>
                <th scope="col">What I do, the set live or dead</th>
                <th scope="col">Why</th>
                <th scope="col">What it reads</th>
                <th scope="col">Whom I suspect, how sure</th>
              </tr>
            </thead>
            <tbody>
              {Array.from({ length: rows }, (_, row) => (
                <tr key={row}>
                  <td />
                  <td />
                  <td />
                  <td />
                </tr>
              ))}
            </tbody>
          </table>
        )}
      </Paper>
    </div>
  );
}
