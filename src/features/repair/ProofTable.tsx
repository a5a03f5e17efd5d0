import { type Predictions } from '@/core/behaviour';
import { type Verification } from '@/core/diagnosis';
import { answerText } from '@/core/reading';
import { VerdictMark } from '@/ui';
import styles from './repair.module.css';

interface ProofTableProps {
  readonly list: readonly Verification[];
  readonly predictions: Predictions;
}

/** Every reading that was wrong, before the repair and after it. */
export function ProofTable({ list, predictions }: ProofTableProps) {
  return (
    <table className={styles.proof}>
      <thead>
        <tr>
          <th>Reading</th>
          <th>Before</th>
          <th>After</th>
          <th>Should be</th>
        </tr>
      </thead>
      <tbody>
        {list.map((one) => {
          const check = predictions.checks.get(one.check)!;
          return (
            <tr key={one.check} data-check={one.check} data-after={one.afterVerdict?.mark ?? 'unread'}>
              <th scope="row">{check.title}</th>
              <td className="figure">
                <VerdictMark mark={one.beforeVerdict.mark} /> {answerText(check, one.before.answer)}
              </td>
              <td className="figure">
                <VerdictMark mark={one.afterVerdict?.mark ?? 'unread'} />{' '}
                {one.after ? answerText(check, one.after.answer) : 'not yet'}
              </td>
              <td className="figure soft">{one.afterVerdict?.expected ?? one.beforeVerdict.expected}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
