'use client';

import { familyOf } from '@/core/sheet';
import { Button, Input, InputNumber, Select } from 'antd';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useMemo, useRef, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { adviseOn, contextFor, type Verification } from '@/core/diagnosis';
import { depict, type Symptom, symptomTitles } from '@/core/picture';
import { answerText } from '@/core/reading';
import { cautionsFor } from '@/core/safety';
import { interpret, nextStep } from '@/features/bench/benchModel';
import { Suspects } from '@/features/bench';
import { caseOf, type JobFile, StateBand, useLog } from '@/features/job';
import { chanceText, EmptyState, Key, minutesText, moneyText, PictureView, VerdictMark } from '@/ui';
import { PutAside } from './PutAside';
import { Fitting } from './Fitting';
import { notesOf, proofOf, repairChoices } from './repairModel';
import styles from './repair.module.css';

/** What was done, and whether the readings that were wrong are right since. */
export function Repair({ file }: { file: JobFile }) {
  const router = useRouter();
  const log = useLog(file);
  const job = useMemo(() => caseOf(file, log.entries), [file, log.entries]);
  const advice = useMemo(() => adviseOn(job), [job]);
  const proof = useMemo(() => proofOf(job), [job]);
  const choices = useMemo(() => repairChoices(advice, job), [advice, job]);
  const { bench, predictions } = job;
  const [chosen, setChosen] = useState<string>();
  const [money, setMoney] = useState<number | null>(null);
  const [minutes, setMinutes] = useState<number | null>(null);
  const [note, setNote] = useState('');
  const [again, setAgain] = useState(false);

  const choice = choices.find(({ action }) => action.id === chosen) ?? choices[0];
  // All was measured again, it is not cured, and the readings already name what to do about the rest.
  const more = advice.next === 'act' && proof.open.length === 0 && !proof.done;
  const recording = bench.repairs.length === 0 || again || more;
  const record = () => {
    if (!choice) return;
    const { id: action, title, cures } = choice.action;
    log.record([
      {
        body: {
          kind: 'repair',
          action,
          title,
          cures,
          money: money ?? choice.action.money,
          minutes: minutes ?? choice.action.minutes,
          note: note.trim(),
        },
      },
    ]);
    setChosen(undefined);
    setMoney(null);
    setMinutes(null);
    setNote('');
    setAgain(false);
  };
  useHotkeys('mod+enter', () => (recording ? record() : proof.done && router.push(`/job/${file.id}/close`)), {
    enableOnFormTags: true,
    preventDefault: true,
  });
  useHotkeys('alt+b', () => router.push(`/job/${file.id}/bench`), { enableOnFormTags: true, preventDefault: true });

  return (
    <div className={styles.page} data-waiting={log.waiting.size}>
      <StateBand job={file} sheet={file.sheet} bench={bench} ground={undefined} closed={file.closedAt !== null} />
      {log.trouble && (
        <div className={styles.trouble} role="alert">
          {log.trouble.message}{' '}
          {log.trouble.stale && <Button onClick={() => void log.catchUp()}>Load what is new</Button>}
        </div>
      )}
      <div className={styles.columns}>
        <section className={styles.column} aria-label="What was done">
          {recording && choice ? (
            <>
              <p className="label">What was done</p>
              <h1 className={styles.title}>{choice.action.title}</h1>
              <p className="soft">
                {choice.chance > 0 ? (
                  <>
                    Cures it with <b className="figure">{chanceText(choice.chance)}</b> by the readings.
                  </>
                ) : (
                  'Nothing measured points at it.'
                )}
              </p>
              <Select
                showSearch
                value={choice.action.id}
                onChange={(id: string) => {
                  setChosen(id);
                  setMoney(null);
                  setMinutes(null);
                }}
                aria-label="Repair"
                options={choices.map(({ action, chance }) => ({
                  value: action.id,
                  label: chance > 0 ? `${action.title} · ${chanceText(chance)}` : action.title,
                  search: action.title,
                }))}
                filterOption={(typed, option) => option?.search.toLowerCase().includes(typed.toLowerCase()) ?? false}
              />
              <Fitting notes={notesOf(choice.action, file.sheet)} />
              <div className={styles.pair}>
                <label>
                  <span className="label">Parts, {file.currency}</span>
                  <InputNumber
                    value={money ?? choice.action.money}
                    onChange={setMoney}
                    min={0}
                    max={1e6}
                    step={0.5}
                    aria-label="Parts"
                  />
                </label>
                <label>
                  <span className="label">Minutes</span>
                  <InputNumber
                    value={minutes ?? choice.action.minutes}
                    onChange={setMinutes}
                    min={0}
                    max={1e5}
                    aria-label="Minutes"
                  />
                </label>
              </div>
              <label>
                <span className="label">What to remember of it</span>
                <Input.TextArea
                  value={note}
                  onChange={(event) => setNote(event.target.value)}
                  maxLength={2000}
                  autoSize={{ minRows: 2, maxRows: 5 }}
                  placeholder="Joint ringed on three legs; siblings resoldered too"
                  aria-label="What to remember of it"
                />
              </label>
              {bench.context.power === 'live' && (
                <p className="caution">
                  The set is marked LIVE: unplug, discharge, and measure to prove it before touching.
                </p>
              )}
              {bench.context.power === 'unplugged' && (
                <p className="caution">Not proven dead yet: measure each store first.</p>
              )}
              <p className="caution">One change, then test: two at once, and nobody knows which cured it.</p>
              <Button type="primary" size="large" onClick={record}>
                It is done <Key>Ctrl ⏎</Key>
              </Button>
            </>
          ) : (
            !recording && (
              <>
                <p className="label">Done so far</p>
                <ul className={styles.done}>
                  {bench.repairs.map(({ entry, repair }) => (
                    <li key={entry.id}>
                      <b>{repair.title}</b>
                      <span className="figure">
                        {moneyText(repair.money, file.currency)} · {minutesText(repair.minutes)}
                      </span>
                      {repair.note !== '' && <p className="soft">{repair.note}</p>}
                    </li>
                  ))}
                </ul>
                <Button onClick={() => setAgain(true)}>Record another repair</Button>
              </>
            )
          )}
          {file.closedAt === null && <PutAside file={file} />}
        </section>
        <section className={styles.column} aria-label="Before and after">
          <p className="label">The readings that must change</p>
          {bench.repairs.length === 0 ? (
            <EmptyState title="After the repair">
              <p>Every reading that was wrong is asked for once more here, and stands beside what it was.</p>
            </EmptyState>
          ) : proof.list.length === 0 ? (
            <EmptyState title="Nothing was measured wrong">
              <p>No reading can prove the cure. Look at the picture on the bench, and record it.</p>
              <Link href={`/job/${file.id}/bench`}>
                <Button type="primary">To the bench</Button>
              </Link>
            </EmptyState>
          ) : (
            <>
              <Remeasure
                key={`${proof.open[0]?.check}-${log.entries.length}`}
                open={proof.open[0]}
                job={job}
                file={file}
                record={(body) => log.record([{ body }])}
              />
              <table className={styles.proof}>
                <thead>
                  <tr>
                    <th>Reading</th>
                    <th>Before</th>
                    <th>After</th>
                    <th>Should be</th>
                  </tr>
                </thead>
                <tbody>
                  {proof.list.map((one) => {
                    const check = predictions.checks.get(one.check)!;
                    return (
                      <tr key={one.check} data-check={one.check} data-after={one.afterVerdict?.mark ?? 'unread'}>
                        <th scope="row">{check.title}</th>
                        <td className="figure">
                          <VerdictMark mark={one.beforeVerdict.mark} /> {answerText(check, one.before.answer)}
                        </td>
                        <td className="figure">
                          <VerdictMark mark={one.afterVerdict?.mark ?? 'unread'} />{' '}
                          {one.after ? answerText(check, one.after.answer) : 'not yet'}
                        </td>
                        <td className="figure soft">{one.afterVerdict?.expected ?? one.beforeVerdict.expected}</td>
                      </tr>
                    );
                  })}
                </tbody>
              </table>
              {proof.done ? (
                <div className={styles.verdict} data-done>
                  <strong>Every reading that was wrong is right again.</strong>
                  <Link href={`/job/${file.id}/close`}>
                    <Button type="primary" size="large">
                      Close the job <Key>Ctrl ⏎</Key>
                    </Button>
                  </Link>
                </div>
              ) : (
                proof.open.length === 0 && (
                  <div className={styles.verdict}>
                    <strong>Not cured yet.</strong>
                    <p>
                      Check the own work first: value, polarity, bridges, connectors. Then the suspects as they stand
                      now.
                    </p>
                    <Link href={`/job/${file.id}/bench`}>
                      <Button type="primary">Back to the bench</Button>
                    </Link>
                  </div>
                )
              )}
            </>
          )}
        </section>
        <section className={styles.column}>
          <Suspects posterior={advice.posterior} predictions={predictions} most={5} />
          {bench.repairs.length > 0 && (
            <p className="soft">
              By all readings, what was done cures it with <b className="figure">{chanceText(advice.curedChance)}</b>.
            </p>
          )}
        </section>
      </div>
    </div>
  );
}

interface RemeasureProps {
  readonly open: Verification | undefined;
  readonly job: ReturnType<typeof caseOf>;
  readonly file: JobFile;
  record(body: Parameters<ReturnType<typeof useLog>['record']>[0][number]['body']): void;
}

/** Pictures to choose from after a repair: right, as it was, or with one of several troubles left. */
function picturesAfter(before: readonly Symptom[]): (readonly Symptom[])[] {
  const left = before.length > 1 ? before.map((symptom) => [symptom]) : [];
  return [['normal'], before, ...left];
}

/** The one reading to take again now, with the step that its state needs. */
function Remeasure({ open, job, record }: RemeasureProps) {
  const input = useRef<HTMLInputElement>(null);
  const [text, setText] = useState('');
  if (!open) return null;
  const { predictions, bench } = job;
  const check = predictions.checks.get(open.check)!;
  const wanted = {
    ...contextFor(bench.context, check.state),
    unplugged: open.before.context.unplugged,
    warm: bench.context.warm,
  };
  const step = nextStep(job, wanted);
  const interpreted = interpret(text, { job, focus: check, step, correcting: undefined, pictures: [] });
  const go = () => {
    if (interpreted.kind === 'line') record(interpreted.body);
    else if (interpreted.kind === 'nothing' && step?.kind === 'do') record(step.body);
  };
  const picture = check.measure === 'picture' && step === undefined;
  const family = familyOf(predictions.model.sheet.technology);
  const before = open.before.answer.kind === 'picture' ? open.before.answer.symptoms : [];
  return (
    <div className={styles.again} data-check={check.id} data-step={step?.kind ?? ''}>
      <p className="label">{step ? `First, for ${check.title}` : 'Measure again'}</p>
      <h2 className={styles.title}>
        {step ? (step.kind === 'do' ? step.title : `Prove ${step.store.id} dead`) : check.title}
      </h2>
      {!step && (
        <p className="soft">
          {check.where}. It was {answerText(check, open.before.answer)}.
        </p>
      )}
      {step?.kind === 'prove' && (
        <p className="soft">{step.store.place}. Discharge it, measure across it, type the volts.</p>
      )}
      {cautionsFor(predictions.model.sheet, check, bench.context)
        .slice(0, 1)
        .map((caution) => (
          <p key={caution} className="caution">
            {caution}
          </p>
        ))}
      {picture && (
        <div className={styles.pictures}>
          {picturesAfter(before).map((symptoms) => (
            <button
              key={symptoms.join()}
              type="button"
              onClick={() =>
                record({
                  kind: 'reading',
                  check: 'picture',
                  answer: { kind: 'picture', symptoms },
                  text: symptoms.join(' '),
                })
              }
            >
              <PictureView picture={depict(family, symptoms)} />
              <span>{symptoms.map((symptom) => symptomTitles[symptom]).join(', ')}</span>
            </button>
          ))}
        </div>
      )}
      <div className={styles.entry}>
        <input
          ref={input}
          className="figure"
          autoFocus
          autoComplete="off"
          value={text}
          maxLength={200}
          aria-label="Reading after the repair"
          placeholder={step?.kind === 'do' ? '⏎ when done' : picture ? 'or another' : ''}
          onChange={(event) => setText(event.target.value)}
          onKeyDown={(event) => {
            if (event.key !== 'Enter' || event.ctrlKey || event.metaKey) return;
            event.preventDefault();
            go();
          }}
        />
        {interpreted.kind === 'line' && interpreted.reading && (
          <span>
            <VerdictMark mark={interpreted.reading.verdict.mark} size={20} /> {interpreted.reading.verdict.words}
          </span>
        )}
        <Button type="primary" onClick={go}>
          {step?.kind === 'do' && text === '' ? step.done : 'Record'} ⏎
        </Button>
      </div>
      {interpreted.kind === 'wrong' && (
        <p className="bad" role="alert">
          {interpreted.message}
        </p>
      )}
    </div>
  );
}
