import { Button } from 'antd';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import { tracedOutputs, tracedRails } from '@/core/job';
import { formatQuantity, Refusal } from '@/core/quantity';
import { type PartRole } from '@/core/sheet';
import { type JobFile } from '@/workshop/job';
import { isRail } from '@/core/tracing';
import { refineSheet } from '@/workshop/library';
import { ChassisPartsTable } from './ChassisPartsTable';
import { Choice } from './Choice';
import { OwnBlock } from './OwnBlock';
import { changesOf, ontoChassis, ownBlock } from './ontoChassisModel';
import styles from './trace.module.css';
import { type TraceView } from './traceModel';

interface OntoChassisProps {
  readonly file: JobFile;
  readonly lines: readonly string[];
  readonly view: TraceView;
}

/** A traced board goes onto the sheet of this chassis: its parts are suspected, its circuit judges the nodes inside. */
export function OntoChassis({ file, lines, view }: OntoChassisProps) {
  const router = useRouter();
  const { sheet } = file;
  /** What it may make: its rails, and nodes that it drives. */
  const outputs = useMemo(() => [...tracedRails(lines), ...tracedOutputs(lines)], [lines]);
  const [chosen, setMakes] = useState<string>();
  const [chosenNet, setNet] = useState<string>();
  const [fedBy, setFedBy] = useState<Readonly<Record<string, string>>>({});
  const [title, setTitle] = useState('');
  const [board, setBoard] = useState<string>();
  const [user, setUser] = useState<string>();
  const [roles, setRoles] = useState<Readonly<Record<string, PartRole>>>({});
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const [sending, setSending] = useState(false);
  const [message, setMessage] = useState<string>();
  const makes = chosen ?? outputs[0];
  const onto = useMemo(
    () =>
      makes === undefined
        ? undefined
        : ontoChassis(lines, view, sheet, { makes, net: chosenNet, fedBy, title, board, user }),
    [lines, view, sheet, makes, chosenNet, fedBy, title, board, user],
  );
  if (makes === undefined || onto === undefined)
    return <p className="soft">With a rail or a transistor among the beeps, its parts can go onto this chassis.</p>;
  const { net, block, parts, stage, isThere } = onto;
  const changes = changesOf(onto, left, roles);
  const put = async () => {
    setSending(true);
    const answer = await refineSheet(file.id, changes).catch(() => ({
      refused: 'The server does not answer: the sheet is as it was. Try again.',
    }));
    setSending(false);
    const taken = changes.filter(({ kind }) => kind === 'part').length;
    const inside = changes.some(({ kind }) => kind === 'stage') ? ', with their circuit' : '';
    setMessage('refused' in answer ? answer.refused : `${taken} parts are on this chassis now${inside}.`);
    if ('refused' in answer) return;
    // The rail that the block was made for is one of the sheet’s from now on.
    if (onto.made) setNet(onto.made.rail);
    router.refresh();
  };
  return (
    <details className={styles.onto}>
      <summary>Put it on this chassis</summary>
      <p>
        It makes{' '}
        <Choice
          label="Rail it makes"
          value={makes}
          options={outputs.map((id) => ({ id, title: isRail(id) ? id : `what is at ${id}` }))}
          onChoose={(id) => {
            setMakes(id);
            setNet(undefined);
          }}
        />{' '}
        which is{' '}
        <Choice
          label="Net of the sheet"
          value={net ?? ''}
          options={[
            ...(net === undefined ? [{ id: '', title: 'choose' }] : []),
            { id: ownBlock, title: 'none of the sheet: a block of its own' },
            ...onto.nets,
          ]}
          onChoose={setNet}
        />
        {block && <> of {block.title}</>}
      </p>
      {net === ownBlock && (
        <OwnBlock
          sheet={sheet}
          title={title}
          proposed={onto.title}
          board={onto.board}
          user={user}
          onTitle={setTitle}
          onBoard={setBoard}
          onUser={setUser}
        />
      )}
      {onto.fed.map(([from, is]) => (
        <p key={from}>
          It is fed from <b className="figure">{from}</b> which is{' '}
          <Choice
            label={`Net that ${from} is`}
            value={is ?? ''}
            options={[{ id: '', title: 'none of the sheet' }, ...sheet.nets.values()]}
            onChoose={(id) => setFedBy({ ...fedBy, [from]: id })}
          />
        </p>
      ))}
      {isThere && <p className="soft">All of it is on the sheet already.</p>}
      {parts.length > 0 && (
        <ChassisPartsTable
          parts={parts}
          left={left}
          roles={roles}
          onLeft={(ref) =>
            setLeft((now) => new Set(now.has(ref) ? [...now].filter((one) => one !== ref) : [...now, ref]))
          }
          onRole={(ref, role) => setRoles({ ...roles, [ref]: role })}
        />
      )}
      {stage instanceof Refusal ? (
        <p className="soft">Its circuit stays off the sheet: {stage.message}.</p>
      ) : (
        stage && (
          <p>
            Its circuit goes with it: as traced it makes <b className="figure">{formatQuantity(stage.makes, 'V', 3)}</b>
            , and a part that breaks does to it what the circuit says.
            {stage.guessed.length > 0 && ` Guessed: ${stage.guessed.join(', ')}.`}
            {stage.left.length > 0 && ` Not in it: ${stage.left.join(', ')}.`}
          </p>
        )
      )}
      {changes.length > 0 && (
        <Button type="primary" loading={sending} onClick={() => void put()}>
          Put it on the sheet
        </Button>
      )}
      {message !== undefined && <p role="status">{message}</p>}
    </details>
  );
}
