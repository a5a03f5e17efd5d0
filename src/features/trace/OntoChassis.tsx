import { Button } from 'antd';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import { chassisParts, netOfRail, tracedRails } from '@/core/job';
import { type PartRole, partRoles } from '@/core/sheet';
import { type JobFile } from '@/workshop/job';
import { refineSheet } from '@/workshop/library';
import styles from './trace.module.css';

const roleTitles: Readonly<Record<PartRole, string>> = {
  feeds: 'feeds it',
  shunts: 'lies from it to ground',
  senses: 'senses it',
  drives: 'helps to make it',
};

/** The parts that were traced go onto the sheet of this chassis: then they are suspected, measured and counted. */
export function OntoChassis({ file, lines }: { readonly file: JobFile; readonly lines: readonly string[] }) {
  const router = useRouter();
  const { sheet } = file;
  const rails = useMemo(() => tracedRails(lines), [lines]);
  const [chosenRail, setRail] = useState<string>();
  const [chosenNet, setNet] = useState<string>();
  const [roles, setRoles] = useState<Readonly<Record<string, PartRole>>>({});
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const [sending, setSending] = useState(false);
  const [message, setMessage] = useState<string>();
  const rail = chosenRail ?? rails[0];
  const makers = useMemo(() => [...sheet.blocks.values()], [sheet]);
  const nets = [...sheet.nets.values()].filter(({ id }) => makers.some(({ makes }) => makes.includes(id)));
  const net = chosenNet ?? (rail === undefined ? undefined : netOfRail(rail, sheet));
  const block = makers.find(({ makes }) => net !== undefined && makes.includes(net));
  const found = useMemo(
    () =>
      rail === undefined || net === undefined || block === undefined
        ? []
        : chassisParts(lines, sheet, { rail, net, block: block.id }),
    [lines, sheet, rail, net, block],
  );
  if (rail === undefined)
    return <p className="soft">With a rail among the beeps, its parts can go onto this chassis.</p>;
  const taken = found.filter(({ ref }) => !left.has(ref));
  const put = async () => {
    setSending(true);
    const changes = taken.map(({ ref, change }) => ({ ...change, role: roles[ref] ?? change.role }));
    const answer = await refineSheet(file.id, changes).catch(() => ({
      refused: 'The server does not answer: the sheet is as it was. Try again.',
    }));
    setSending(false);
    setMessage('refused' in answer ? answer.refused : `${changes.length} parts are on this chassis now.`);
    if (!('refused' in answer)) router.refresh();
  };
  return (
    <details className={styles.onto}>
      <summary>Put its parts on this chassis</summary>
      <p>
        It makes{' '}
        <select
          className="field"
          aria-label="Rail it makes"
          value={rail}
          onChange={(event) => setRail(event.target.value)}
        >
          {rails.map((one) => (
            <option key={one}>{one}</option>
          ))}
        </select>{' '}
        which is{' '}
        <select
          className="field"
          aria-label="Net of the sheet"
          value={net ?? ''}
          onChange={(event) => setNet(event.target.value)}
        >
          {net === undefined && <option value="">choose</option>}
          {nets.map(({ id, title }) => (
            <option key={id} value={id}>
              {title}
            </option>
          ))}
        </select>
        {block && <> of {block.title}</>}
      </p>
      {found.length === 0 && net !== undefined && <p className="soft">All its parts are on the sheet already.</p>}
      {found.length > 0 && (
        <table className={styles.nodes}>
          <tbody>
            {found.map(({ ref, between, change }) => (
              <tr key={ref}>
                <th scope="row">
                  <label>
                    <input
                      type="checkbox"
                      checked={!left.has(ref)}
                      onChange={() =>
                        setLeft((now) => new Set(now.has(ref) ? [...now].filter((one) => one !== ref) : [...now, ref]))
                      }
                    />{' '}
                    <b className="figure">{ref}</b> {change.is} {change.value}
                  </label>
                </th>
                <td>{between}</td>
                <td>
                  <select
                    className="field"
                    aria-label={`What ${ref} is to it`}
                    value={roles[ref] ?? change.role}
                    onChange={(event) => setRoles({ ...roles, [ref]: event.target.value as PartRole })}
                  >
                    {partRoles.map((role) => (
                      <option key={role} value={role}>
                        {roleTitles[role]}
                      </option>
                    ))}
                  </select>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {taken.length > 0 && (
        <Button type="primary" loading={sending} onClick={() => void put()}>
          {taken.length === 1 ? 'Put it on the sheet' : `Put ${taken.length} parts on the sheet`}
        </Button>
      )}
      {message !== undefined && <p role="status">{message}</p>}
    </details>
  );
}
