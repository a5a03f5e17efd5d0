'use client';

import { Button, Input } from 'antd';
import { useMemo, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { predictionsOf } from '@/core/behaviour';
import { type Compared } from '@/core/compare';
import { tableReadings } from '@/core/job';
import { type BenchState, longestTable, replay } from '@/core/log';
import { answerText, judgeAnswer } from '@/core/reading';
import { Refusal } from '@/core/quantity';
import { type JobFile, JobFrame, type JobLog, useLog, ofSentJob } from '@/workshop/job';
import { AttachPhoto } from '@/workshop/photo';
import { Key, sound, VerdictMark } from '@/ui';
import { Comparing, type TableAtHand } from './Comparing';
import { comparedText, linesOfTable, recordedWith, sizeText } from './compareModel';
import styles from './compare.module.css';

/** Tables of a set on the bench: they stay with the job, and what they say of its points is read as if it were typed. */
export const JobCompare = ofSentJob(function JobCompare({ file }: { file: JobFile }) {
  const log = useLog(file);
  const { sheet } = file;
  const bench = useMemo(() => replay(log.entries, [...sheet.stores.keys()]), [log.entries, sheet]);
  const [kept, setKept] = useState<string>();
  const takeBack = () => {
    const last = bench.tables.at(-1);
    if (!last) return;
    log.takeBack(...recordedWith(last.entry.id, log.entries));
    setKept('Taken back, with the readings that went with it.');
  };
  useHotkeys('alt+z', takeBack, { enableOnFormTags: true, preventDefault: true });
  return (
    <JobFrame file={file} log={log} bench={bench}>
      <Comparing
        draft={`compare-${file.id}`}
        before={
          <>
            <p className="soft">
              Columns headed by parts, rows called like points, or rows and columns called as the sheet calls its
              siblings weigh at the bench.
            </p>
            {kept !== undefined && <p role="status">{kept}</p>}
          </>
        }
        above={(table) => <Keep file={file} log={log} bench={bench} table={table} onKept={setKept} />}
        below={(put) => <Kept job={file.id} bench={bench} put={put} takeBack={takeBack} />}
      />
    </JobFrame>
  );
});

interface KeepProps {
  readonly file: JobFile;
  readonly log: JobLog;
  readonly bench: BenchState;
  readonly table: TableAtHand;
  onKept(said: string): void;
}

/** What the bench takes from the table, and the key that keeps it. */
function Keep({ file, log, bench, table: { text, found, put }, onKept }: KeepProps) {
  const [title, setTitle] = useState('');
  const [photo, setPhoto] = useState<string>();
  const [refused, setRefused] = useState<string>();
  const predictions = predictionsOf(file.sheet);
  const readings = useMemo(() => tableReadings(found, title, predictions.names), [found, title, predictions]);
  const state = bench.context.power === 'live' ? 'live' : 'cold';
  const taken = readings.filter(({ check }) => check.state === state);
  const closed = file.closedAt !== null;
  const tooLong = text.length > longestTable;
  const keep = () => {
    if (closed || tooLong) return;
    log.record(linesOfTable({ title: title.trim(), table: text, photo }, taken).map((body) => ({ body })));
    sound(taken.some(({ check, answer }) => judge(check, answer).mark !== 'within') ? 'high' : 'within');
    onKept(
      `Kept${title.trim() === '' ? '' : `: ${title.trim()}`}. ${taken.length === 0 ? 'Nothing of it' : taken.length === 1 ? 'One reading' : `${taken.length} readings`} went to the bench.`,
    );
    put('');
    setTitle('');
    setPhoto(undefined);
  };
  const judge = (check: (typeof readings)[number]['check'], answer: (typeof readings)[number]['answer']) =>
    judgeAnswer(predictions, check, answer, bench.context);
  useHotkeys('alt+k', keep, { enableOnFormTags: true, preventDefault: true });
  return (
    <section className={styles.keep} aria-label="Keep it with the job">
      <label>
        <span className="label">What is compared</span>
        <Input
          value={title}
          maxLength={80}
          placeholder="upper buffer against lower"
          onChange={(event) => setTitle(event.target.value)}
        />
      </label>
      <Button type="primary" disabled={closed || tooLong} onClick={keep}>
        Keep it with the job <Key>Alt K</Key>
      </Button>
      {photo === undefined ? (
        <AttachPhoto job={file.id} onKept={({ id }) => setPhoto(id)} onRefused={setRefused} />
      ) : (
        <Photographed job={file.id} photo={photo} />
      )}
      {refused !== undefined && (
        <p role="alert" className="bad">
          {refused}
        </p>
      )}
      {tooLong && (
        <p role="alert" className="bad">
          {text.length} letters; a table that stays with a job has at most {longestTable}.
        </p>
      )}
      <ul data-testid="taken">
        {taken.map(({ check, answer, line }) => {
          const verdict = judge(check, answer);
          return (
            <li key={line}>
              <VerdictMark mark={verdict.mark} />
              <span>
                <b>{check.title}</b> <b className="figure">{answerText(check, answer)}</b> {verdict.words}
              </span>
            </li>
          );
        })}
      </ul>
      <p className="soft">{tellTaken(taken.length, readings.length - taken.length, state, found)}</p>
    </section>
  );
}

/** What the bench takes, and what stands in the way of more. */
function tellTaken(taken: number, left: number, state: 'live' | 'cold', { network }: Compared): string {
  if (left > 0)
    return state === 'live'
      ? `${left} would be read with the plug out, and this set is marked LIVE: Alt P when it is out.`
      : `${left} would be read on a live set, and this one is marked unplugged: Alt P when power is on.`;
  if (taken > 0) return 'These go to the bench as readings of the set, and weigh there.';
  return network.cells.length > 2
    ? 'It stays with the job as it is. Columns headed by parts, or rows and columns called as the sheet calls its siblings, would weigh at the bench.'
    : 'It stays with the job as it is. Rows called like points, or a name that begins with a part, would weigh at the bench.';
}

/** Where a table was read, small; the whole picture opens beside. */
function Photographed({ job, photo }: { readonly job: string; readonly photo: string }) {
  const address = `/api/jobs/${job}/photos/${photo}`;
  return (
    <a href={address} target="_blank" rel="noreferrer" className={styles.photo}>
      {/* Photographs come from the shop's own store: there is nothing to be optimised. */}
      {/* eslint-disable-next-line @next/next/no-img-element */}
      <img src={address} alt="Where it was read" />
    </a>
  );
}

interface KeptProps {
  readonly job: string;
  readonly bench: BenchState;
  put(text: string): void;
  takeBack(): void;
}

/** Tables that stay with the job, the newest first. */
function Kept({ job, bench: { tables }, put, takeBack }: KeptProps) {
  if (tables.length === 0) return null;
  return (
    <section aria-label="Kept with the job">
      <h2 className="label">Kept with the job</h2>
      <ul className={styles.kept} data-testid="kept-tables">
        {tables.toReversed().map(({ entry, title, table, photo }) => {
          const found = comparedText(table);
          return (
            <li key={entry.id}>
              {photo !== undefined && <Photographed job={job} photo={photo} />}
              <button type="button" className="press" onClick={() => put(table)}>
                {title === '' ? 'A table' : title}
              </button>
              {found && !(found instanceof Refusal) && <small className="soft">{sizeText(found)}</small>}
            </li>
          );
        })}
      </ul>
      <Button onClick={takeBack}>
        Take the last back <Key>Alt Z</Key>
      </Button>
    </section>
  );
}
