'use client';

import { type OwnAndDonor as Tried, type ReadingRow } from '@/core/job';
import { formatQuantity } from '@/core/quantity';
import { VerdictMark } from '@/ui';
import styles from './bench.module.css';

interface OwnAndDonorProps {
  readonly tried: readonly Tried[];
  onPick(check: string): void;
}

const valueText = ({ reading: { answer }, check, said }: ReadingRow) =>
  answer.kind === 'number' ? formatQuantity(answer.value, check.unit, 3) : said;

/** What read otherwise with a donor’s board in place of the set’s own, and what is still to be read with it. */
export function OwnAndDonor({ tried, onPick }: OwnAndDonorProps) {
  return tried.map(({ board, isIn, rows }) => (
    <section key={board} className={styles.siblings} aria-label={`Own and donor, ${board}`}>
      <h2 className="label">
        {board} · own and donor{isIn && ', the donor’s is in'}
      </h2>
      <table>
        <thead>
          <tr>
            <th />
            <th>own</th>
            <th>donor’s</th>
          </tr>
        </thead>
        <tbody>
          {rows.map(({ check, own, donor }) => (
            <tr key={check.id}>
              <th scope="row">{check.title}</th>
              {[own, donor].map((row, column) => (
                <td key={column === 0 ? 'own' : 'donor'} className="figure">
                  <button
                    type="button"
                    onClick={() => onPick(check.id)}
                    aria-label={`${check.title} ${column === 0 ? 'own' : 'donor’s'}`}
                  >
                    {row ? (
                      <>
                        <VerdictMark mark={row.verdict.mark} /> {valueText(row)}
                      </>
                    ) : (
                      'not read'
                    )}
                  </button>
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  ));
}
