'use client';

import { type SurveyRow, surveyRows, typedPart } from '@/core/job';
import { surveyOf } from '@/core/survey';
import { predictionsOf } from '@/core/behaviour';
import { replay } from '@/core/log';
import { Button } from 'antd';
import Link from 'next/link';
import { useMemo, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { type JobFile, JobFrame, useLog, ofSentJob } from '@/workshop/job';
import { Key, LineEntry, sound, VerdictMark } from '@/ui';
import { Bands } from './Bands';
import { linesOfPart } from '@/core/entry';
import { markOfPart } from '@/workshop/parts';
import { bandsFor, markWords, partFigures, partWords, recordedFor } from './surveyModel';
import styles from './survey.module.css';

/** Part after part by itself: what is fine, what goes, what must be lifted before it can be judged. */
export const Survey = ofSentJob(function Survey({ file }: { file: JobFile }) {
  const log = useLog(file);
  const { sheet } = file;
  const bench = useMemo(() => replay(log.entries, [...sheet.stores.keys()]), [log.entries, sheet]);
  const rows = useMemo(() => surveyRows(log.entries, sheet), [log.entries, sheet]);
  const { checks } = predictionsOf(sheet);
  const live = bench.context.power === 'live';
  const [line, setLine] = useState('');
  const [asked, setAsked] = useState(false);
  const typed = useMemo(() => typedPart(line, sheet, rows), [line, sheet, rows]);

  const record = () => {
    setAsked(true);
    if (typed.kind !== 'part') return;
    log.record(linesOfPart(line, typed, checks, live).map((body) => ({ body })));
    sound(markOfPart[typed.verdict.mark]);
    setLine('');
    setAsked(false);
  };
  const takeBack = () => {
    const [last] = rows;
    if (last) log.takeBack(...recordedFor(last, log.entries));
  };
  useHotkeys('alt+z', takeBack, { enableOnFormTags: true, preventDefault: true });

  return (
    <JobFrame file={file} log={log} bench={bench}>
      <div className={styles.survey}>
        <section className={styles.entry} aria-label="Next part">
          <h1>Survey of parts</h1>
          {live && (
            <p className="caution">
              The set is live: ohms and junctions are read with the plug out and the stores proven.
            </p>
          )}
          <LineEntry
            label="Part and reading"
            value={line}
            placeholder="R12 4k7 5k1"
            maxLength={160}
            autoFocus
            onType={(text) => {
              setLine(text);
              setAsked(false);
            }}
            onEnter={record}
          />
          <Live typed={typed} asked={asked} />
          <dl className={styles.forms}>
            <dt className="figure">R12 4k7 5k1</dt>
            <dd>marked, read; the sheet’s own parts need no mark</dd>
            <dt className="figure">R12 yellow violet red gold 5k1</dt>
            <dd>by its bands</dd>
            <dt className="figure">… lifted · climbing</dt>
            <dd>one leg out; still rising</dd>
            <dt className="figure">C8 100u 35V 83u esr 0.4</dt>
            <dd>capacity, ESR or both; lowesr or polymer where it is</dd>
            <dt className="figure">T1 rings 3 good 9</dt>
            <dd>rings against a good one</dd>
            <dt className="figure">Q5 junction 0.62 OL</dt>
            <dd>both ways</dd>
            <dt className="figure">Q5 gain 40 usual 120</dt>
            <dd>gain</dd>
            <dt className="figure">LA1 lamp 5200 of 6000 dark</dt>
            <dd>hours, and clear, dark, white or cracked</dd>
            <dt className="figure">FAN2 fan 61 of 90 noisy</dt>
            <dd>hertz of a fan or wheel, and its noise</dd>
          </dl>
          <Button onClick={takeBack} disabled={rows.length === 0}>
            Take back <Key>Alt Z</Key>
          </Button>
        </section>
        <section className={styles.list} aria-label="Parts surveyed">
          <h2 className="label">{rows.length} surveyed</h2>
          <ul data-testid="survey" data-count={rows.length}>
            {rows.map((row) => (
              <Row key={row.entry.id} row={row} />
            ))}
          </ul>
        </section>
        <section className={styles.board} aria-label="The board">
          <h2 className="label">The board so far</h2>
          <Sum rows={rows} />
          <p>
            <Link href={`/job/${file.id}/kit`} className="press">
              What it takes, and fitting
            </Link>
          </p>
        </section>
      </div>
    </JobFrame>
  );
});

function Live({ typed, asked }: { typed: ReturnType<typeof typedPart>; asked: boolean }) {
  if (typed.kind === 'nothing') return <p className="soft">Each part is judged as you type it.</p>;
  if (typed.kind === 'wrong')
    return (
      <p role={asked ? 'alert' : undefined} className={asked ? 'bad' : 'soft'}>
        {typed.message}
      </p>
    );
  const { check, verdict, doubts } = typed;
  return (
    <div className={styles.live} data-mark={verdict.mark}>
      <VerdictMark mark={markOfPart[verdict.mark]} size={26} />
      <b>{partWords(check, verdict)}</b>
      <span>
        {[verdict.words, verdict.taken].filter(Boolean).join('; ')}. {verdict.advice}
      </span>
      <Bands bands={bandsFor(check)} />
      {doubts.length > 0 && <small>Bands fade: {doubts.join('; ')}.</small>}
    </div>
  );
}

function Row({ row: { check, verdict } }: { row: SurveyRow }) {
  const { should, read } = partFigures(check);
  return (
    <li data-mark={verdict.mark}>
      <VerdictMark mark={markOfPart[verdict.mark]} />
      <b>{check.ref}</b>
      <span className={styles.bands}>
        <Bands bands={bandsFor(check)} />
      </span>
      <span className="figure soft">{should}</span>
      <span className="figure">{read}</span>
      <span className={styles.words}>
        <b>{partWords(check, verdict)}</b> {verdict.words}
        {verdict.taken && `; ${verdict.taken}`}
      </span>
    </li>
  );
}

function Sum({ rows }: { rows: readonly SurveyRow[] }) {
  const { counts } = surveyOf(rows.map(({ verdict }) => verdict));
  // What shares make and age shares its disease: that is asked of the resistors only.
  const resistors = rows.filter(({ check }) => check.kind === 'resistor');
  const { share, advice } = surveyOf(resistors.map(({ verdict }) => verdict));
  const bad = rows.filter(({ verdict }) => verdict.mark === 'replace');
  return (
    <>
      <p className={styles.advice} data-testid="survey-advice">
        {advice === undefined ? (
          'After eight judged resistors the board is judged as a whole.'
        ) : advice === 'repopulate' ? (
          <>
            <b>Repopulate:</b> {Math.round(share * 100)} % of the resistors that can be judged are out. One make and age
            shares the disease; set trimmers anew before judging.
          </>
        ) : (
          <>
            <b>Pick:</b> {Math.round(share * 100)} % of the resistors are out; replace those.
          </>
        )}
      </p>
      <ul className={styles.counts}>
        {(['replace', 'lift', 'wait', 'fine'] as const).map((mark) => (
          <li key={mark}>
            <VerdictMark mark={markOfPart[mark]} />
            <b className="figure">{counts[mark]}</b> {markWords[mark]}
          </li>
        ))}
      </ul>
      {bad.length > 0 && (
        <>
          <h2 className="label">To replace</h2>
          <p className={styles.order}>
            {bad.map(({ check }) => `${check.ref} ${partFigures(check).should}`).join(', ')}
          </p>
        </>
      )}
    </>
  );
}
