'use client';

import { sumOf } from '@/core/statistics';
import { Button, Input, Select } from 'antd';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useDeferredValue, useMemo, useRef, useState, useTransition } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { type Problem, type Sheet, type SheetEdit, withEdits } from '@/core/sheet';
import { Key, OpenFile, WriteFile, PictureView, useDraft } from '@/ui';
import { storeSheet } from './actions';
import { LinePreview } from './LinePreview';
import { type Checked, checkText, lookOf, placeText } from './editorModel';
import { type OpenSheet } from './load';
import styles from './sheets.module.css';

/** A sheet as text with what it comes to beside it. What is typed is kept in the browser until it is saved. */
export function SheetEditor({ opened }: { opened: OpenSheet }) {
  const router = useRouter();
  const [text, setText] = useState(opened.text);
  const [message, setMessage] = useState<{ readonly text: string; readonly bad: boolean }>();
  const [fault, setFault] = useState<string>();
  const [saving, startSaving] = useTransition();
  const area = useRef<HTMLTextAreaElement>(null);
  const changed = text !== opened.text;

  // A draft of this very version outlives a closed tab or a refused save.
  const { draft, keep } = useDraft(`sheet-draft:${opened.id}@${opened.version}`);
  const edit = (next: string) => {
    setText(next);
    keep(next === opened.text ? undefined : next);
  };

  const settled = useDeferredValue(text);
  const checked = useMemo(() => checkText(settled, opened.parents), [settled, opened.parents]);

  const save = () =>
    startSaving(async () => {
      const saved = await storeSheet(text, opened.version);
      if ('refused' in saved) return setMessage({ text: `Not saved: ${saved.refused}`, bad: true });
      keep(undefined);
      setMessage({ text: `Saved as version ${saved.done.version}.`, bad: false });
      const id = checkText(text, opened.parents).sheet?.id ?? opened.id;
      router.replace(`/sheets/${id}`);
      router.refresh();
    });
  useHotkeys('mod+s', save, { enableOnFormTags: true, preventDefault: true });

  const goTo = (problem: Problem) => {
    const input = area.current;
    if (!input || problem.sheet !== undefined) return;
    const lines = text.split('\n');
    const start = sumOf(lines.slice(0, problem.line - 1), (line) => line.length + 1);
    input.focus();
    input.setSelectionRange(start, start + (lines[problem.line - 1]?.length ?? 0));
    input.scrollTop = Math.max(0, (problem.line - 6) * 18);
  };
  return (
    <div className={styles.editor}>
      <section className={styles.text} aria-label="The sheet as text">
        <header className={styles.bar}>
          <h1>{checked.sheet?.title ?? opened.id}</h1>
          <span className="soft">
            {opened.version === 0 ? 'not yet your own' : `version ${opened.version}`}
            {changed ? ', changed' : ''}
          </span>
          <OpenFile
            accept=".yaml,.yml"
            onText={edit}
            onRefused={(refused) => setMessage({ text: refused, bad: true })}
          />
          <WriteFile name={`${checked.sheet?.id ?? opened.id}.yaml`} type="text/yaml" text={() => text} />
          <Button type="primary" onClick={save} loading={saving} disabled={checked.problems.length > 0}>
            Save <Key>Ctrl S</Key>
          </Button>
        </header>
        {draft !== null && draft !== text && !changed && (
          <p role="note">
            What you typed before is kept here, not yet saved.{' '}
            <Button size="small" onClick={() => edit(draft)}>
              Go on with it
            </Button>
          </p>
        )}
        {message && (
          <p role="alert" className={message.bad ? 'bad' : 'soft'}>
            {message.text}
          </p>
        )}
        <textarea
          ref={area}
          className="figure source"
          value={text}
          spellCheck={false}
          aria-label="Text of the sheet"
          onChange={(event) => edit(event.target.value)}
        />
        {checked.sheet && <LinePreview text={settled} sheet={checked.sheet} fault={fault} />}
      </section>
      <aside className={styles.side} aria-label="What it comes to">
        <Lint checked={checked} onGo={goTo} />
        {checked.sheet && (
          <AddPoint
            onAdd={(name, values) => edit(withEdits(text, [{ path: ['points', name], values }]))}
            nets={[...checked.sheet.nets.keys()]}
          />
        )}
        {checked.sheet && <Preview sheet={checked.sheet} chosen={fault} onChoose={setFault} />}
        {opened.versions.length > 0 && (
          <section aria-label="Versions">
            <h2 className="label">Versions</h2>
            <ul className={styles.versions}>
              {opened.versions.slice(0, 6).map(({ version, at }) => (
                <li key={version}>
                  <Link href={`/sheets/${opened.id}?version=${version}`}>Version {version}</Link>{' '}
                  <span className="soft">{at.slice(0, 16).replace('T', ' ')} UTC</span>
                </li>
              ))}
            </ul>
          </section>
        )}
      </aside>
    </div>
  );
}

const shownProblems = 8;

function Lint({ checked, onGo }: { checked: Checked; onGo: (problem: Problem) => void }) {
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

/** One point in one line: what it is called, its net, where it is and what a good set reads. */
function AddPoint({
  onAdd,
  nets,
}: {
  onAdd: (name: string, values: SheetEdit['values']) => void;
  nets: readonly string[];
}) {
  const [name, setName] = useState('');
  const [net, setNet] = useState<string>();
  const [where, setWhere] = useState('');
  const [volts, setVolts] = useState('');
  const ready = /^[\w-]+$/.test(name) && net !== undefined;
  const add = () => {
    if (!ready) return;
    const expect = volts.trim();
    onAdd(name, { measure: 'dc', net, where, ...(expect === '' ? {} : { expect, source: 'manual' }) });
    setName('');
    setWhere('');
    setVolts('');
  };
  return (
    <section aria-label="Add a point">
      <h2 className="label">Add a point</h2>
      <div className={styles.point}>
        <Input
          value={name}
          onChange={(event) => setName(event.target.value)}
          placeholder="tp4"
          aria-label="Short name"
        />
        <Select
          showSearch
          value={net ?? null}
          onChange={(value: string) => setNet(value)}
          options={nets.map((one) => ({ value: one, label: one }))}
          placeholder="net"
          aria-label="Net"
        />
        <Input
          value={volts}
          onChange={(event) => setVolts(event.target.value)}
          placeholder="12 V"
          aria-label="Good value"
        />
        <Input
          className={styles.wide}
          value={where}
          onChange={(event) => setWhere(event.target.value)}
          placeholder="pin 3 of…"
          aria-label="Where"
        />
        <Button onClick={add} disabled={!ready}>
          Add
        </Button>
      </div>
    </section>
  );
}

interface PreviewProps {
  readonly sheet: Sheet;
  readonly chosen: string | undefined;
  onChoose(fault: string): void;
}

/** Rails named one by one; of more than these only their number is told. */
const namedRails = 5;

/** What a fault of the sheet would look like. */
function Preview({ sheet, chosen, onChoose }: PreviewProps) {
  const faults = [...sheet.faults.values()];
  const id = chosen !== undefined && sheet.faults.has(chosen) ? chosen : faults[0]?.id;
  const look = useMemo(() => (id === undefined ? undefined : lookOf(sheet, id)), [sheet, id]);
  if (!look) return null;
  return (
    <section aria-label="What a fault would look like">
      <h2 className="label">What would this fault look like?</h2>
      <Select
        showSearch
        optionFilterProp="label"
        value={id!}
        onChange={onChoose}
        options={faults.map((fault) => ({ value: fault.id, label: fault.title }))}
        aria-label="Fault"
        className={styles.select}
      />
      <div className={styles.look}>
        <PictureView picture={look.picture} />
        <ul>
          <li>
            <b>{look.shows}</b>
          </li>
          {look.blinks > 0 && <li>{look.blinks} blinks</li>}
          {look.signs.map((sign) => (
            <li key={sign}>{sign}</li>
          ))}
          {look.rails.slice(0, namedRails).map((rail) => (
            <li key={rail.title}>
              {rail.title} {rail.words}
            </li>
          ))}
          {look.rails.length > namedRails && (
            <li className="soft">and {look.rails.length - namedRails} more rails not right</li>
          )}
        </ul>
      </div>
    </section>
  );
}
