import { cellText, type NetworkTable } from '@/core/compare';
import styles from './compare.module.css';

interface ComparedTableProps {
  readonly network: NetworkTable;
  isOdd(row: number, cell: number): boolean;
  /** The middle of each row, in a column of its own; undefined where too little is known. */
  readonly usual?: readonly (number | undefined)[];
}

/** The table that is compared, with the odd values marked. */
export function ComparedTable({ network: { rows, cells, values, unit }, isOdd, usual }: ComparedTableProps) {
  return (
    <div className={styles.scroll}>
      <table>
        <thead>
          <tr>
            <th />
            {cells.map((title, cell) => (
              <th key={cell} scope="col">
                {title}
              </th>
            ))}
            {usual && <th scope="col">usual</th>}
          </tr>
        </thead>
        <tbody>
          {rows.map((title, row) => (
            <tr key={row}>
              <th scope="row">{title}</th>
              {values[row]!.map((value, cell) => (
                <td key={cell} className="figure" data-odd={isOdd(row, cell) || undefined}>
                  {value === undefined ? '·' : cellText(value, unit)}
                  {isOdd(row, cell) && ' ◇'}
                </td>
              ))}
              {usual && <td className="figure soft">{usual[row] === undefined ? '?' : cellText(usual[row], unit)}</td>}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
