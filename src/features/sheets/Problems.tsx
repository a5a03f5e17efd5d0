import { type Problem } from '@/core/sheet';
import { type Checked, placeText } from './editorModel';
import styles from './sheets.module.css';

const shownProblems = 8;

/** What is wrong with a sheet, and what is doubtful: each leads to its line. */
export function Problems({ checked, onGo }: { checked: Checked; onGo: (problem: Problem) => void }) {
  const { problems, warnings, sheet } = checked;
  const all = [...problems, ...warnings];
  return (
    <section aria-label="What is wrong" data-problems={problems.length} role="status">
      <h2 className="label">
        {sheet
          ? `${sheet.faults.size} faults · ${sheet.points.size} points · ${warnings.length === 0 ? 'nothing to complain of' : `${warnings.length} doubtful`}`
          : `${problems.length} to put right before it can be saved`}
      </h2>
      <ul className={styles.lint}>
        {all.slice(0, shownProblems).map((problem) => (
          <li
            key={`${problem.line}-${problem.column}-${problem.message}`}
            data-bad={problems.includes(problem) || undefined}
          >
            <button type="button" onClick={() => onGo(problem)}>
              <b>{placeText(problem)}</b> {problem.message}
            </button>
          </li>
        ))}
        {all.length > shownProblems && <li className="soft">and {all.length - shownProblems} more</li>}
      </ul>
    </section>
  );
}
