'use client';

import { Button, Input, InputNumber, Select } from 'antd';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { adviseOn } from '@/core/diagnosis';
import { Suspects } from '@/features/bench';
import { caseOf, type JobFile, StateBand, useLog } from '@/features/job';
import { chanceText, EmptyState, Key, minutesText, moneyText } from '@/ui';
import { Fitting } from './Fitting';
import { ProofTable } from './ProofTable';
import { PutAside } from './PutAside';
import { Remeasure } from './Remeasure';
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
                record={(body) => log.record([{ body }])}
              />
              <ProofTable list={proof.list} predictions={predictions} />
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
