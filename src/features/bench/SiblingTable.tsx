'use client';

import { type Comparison } from '@/core/compare';
import { formatQuantity } from '@/core/quantity';
import { type Predictions } from '@/core/behaviour';
import styles from './bench.module.css';

interface SiblingTableProps {
  readonly comparison: Comparison;
  readonly predictions: Predictions;
  onPick(point: string): void;
}

/** Like circuits side by side, from the picture back: where one first leaves the others is next to the fault. */
export function SiblingTable({ comparison, predictions, onPick }: SiblingTableProps) {
  const { oddColumn, columns, between, next } = comparison;
  return (
    <section className={styles.siblings} aria-label={comparison.title}>
      <h2 className="label">{comparison.title}</h2>
      <table>
        <thead>
          <tr>
            <th />
            {columns.map((column, index) => (
              <th key={column} data-odd={index === oddColumn || undefined}>
                {column}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {comparison.rows.map((row) => (
            <tr key={row.title}>
              <th scope="row">{row.title}</th>
              {row.values.map((value, column) => (
                <td key={row.points[column]} className="figure" data-odd={row.odd === column || undefined}>
                  <button
                    type="button"
                    onClick={() => onPick(row.points[column]!)}
                    aria-label={`${row.title} ${columns[column]}`}
                  >
                    {value === undefined
                      ? '·'
                      : formatQuantity(value, predictions.checks.get(row.points[column]!)!.unit, 3).replace(/ V$/, '')}
                    {row.odd === column && ' ◇'}
                  </button>
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      {oddColumn !== undefined && (
        <p>
          <b>{columns[oddColumn]}</b> leaves the others
          {between.length > 0 && (
            <>
              ; between stand <b>{between.join(', ')}</b>
            </>
          )}
          {next !== undefined && (
            <>
              . Next: <b>{predictions.checks.get(next)!.title}</b>
            </>
          )}
          .
        </p>
      )}
    </section>
  );
}
