'use client';

import { Button } from 'antd';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useCallback, useDeferredValue, useEffect, useMemo, useRef, useState, useTransition } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { type Problem, withEdits } from '@/core/sheet';
import { Key, OpenFile, SourceEditor, type SourceHandle, useDraft, WriteFile } from '@/ui';
import { storeSheet } from './actions';
import { AddPoint } from './AddPoint';
import { FaultPreview } from './FaultPreview';
import { LinePreview } from './LinePreview';
import { checkText, sheetWords, troublesOf } from './editorModel';
import { type OpenSheet } from './load';
import { Problems } from './Problems';
import styles from './sheets.module.css';

/** A sheet as text with what it comes to beside it. What is typed is kept in the browser until it is saved. */
export function SheetEditor({ opened }: { opened: OpenSheet }) {
  const router = useRouter();
  const [text, setText] = useState(opened.text);
  const [message, setMessage] = useState<{ readonly text: string; readonly bad: boolean }>();
  const [fault, setFault] = useState<string>();
  const [saving, startSaving] = useTransition();
  const source = useRef<SourceHandle>(null);
  const changed = text !== opened.text;

  // A draft of this very version outlives a closed tab or a refused save.
  const { draft, keep } = useDraft(`sheet-draft:${opened.id}@${opened.version}`);
  const edit = (next: string) => {
    setText(next);
    keep(next === opened.text ? undefined : next);
  };

  const settled = useDeferredValue(text);
  const checked = useMemo(() => checkText(settled, opened.parents), [settled, opened.parents]);

  /** The sheet as it was when it could be read last. */
  const readable = useRef(checked.sheet);
  useEffect(() => {
    readable.current = checked.sheet ?? readable.current;
  }, [checked.sheet]);
  const words = useCallback(() => sheetWords(readable.current), []);
  const troubles = useMemo(() => troublesOf(checked), [checked]);

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
  useHotkeys('mod+s', save, { enableOnFormTags: true, enableOnContentEditable: true, preventDefault: true });

  const goTo = (problem: Problem) => {
    if (problem.sheet === undefined) source.current?.goTo(problem.line);
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
        <SourceEditor
          ref={source}
          label="Text of the sheet"
          language="yaml"
          value={text}
          words={words}
          troubles={troubles}
          onChange={edit}
        />
        {checked.sheet && <LinePreview text={settled} sheet={checked.sheet} fault={fault} />}
      </section>
      <aside className={styles.side} aria-label="What it comes to">
        <Problems checked={checked} onGo={goTo} />
        {checked.sheet && (
          <AddPoint
            onAdd={(name, values) => edit(withEdits(text, [{ path: ['points', name], values }]))}
            nets={[...checked.sheet.nets.keys()]}
          />
        )}
        {checked.sheet && <FaultPreview sheet={checked.sheet} chosen={fault} onChoose={setFault} />}
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
