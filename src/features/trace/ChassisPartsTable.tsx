import { type ChassisPart } from '@/core/job';
import { type PartRole, partRoles } from '@/core/sheet';
import { Choice } from './Choice';
import styles from './trace.module.css';

const roleTitles: Readonly<Record<PartRole, string>> = {
  feeds: 'feeds it',
  shunts: 'lies from it to ground',
  senses: 'senses it',
  drives: 'helps to make it',
};

interface ChassisPartsTableProps {
  readonly parts: readonly ChassisPart[];
  /** Those that stay off the sheet. */
  readonly left: ReadonlySet<string>;
  /** What they are to the rail, where that was chosen. */
  readonly roles: Readonly<Record<string, PartRole>>;
  onLeft(ref: string): void;
  onRole(ref: string, role: PartRole): void;
}

/** Traced parts that a sheet does not have, each with what it is to the rail. */
export function ChassisPartsTable({ parts, left, roles, onLeft, onRole }: ChassisPartsTableProps) {
  return (
    <table className={styles.nodes}>
      <tbody>
        {parts.map(({ ref, between, change }) => (
          <tr key={ref}>
            <th scope="row">
              <label>
                <input type="checkbox" checked={!left.has(ref)} onChange={() => onLeft(ref)} />{' '}
                <b className="figure">{ref}</b> {change.is} {change.value}
              </label>
            </th>
            <td>{between}</td>
            <td>
              <Choice
                label={`What ${ref} is to it`}
                value={roles[ref] ?? change.role}
                options={partRoles.map((id) => ({ id, title: roleTitles[id] }))}
                onChoose={(role) => onRole(ref, role)}
              />
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
