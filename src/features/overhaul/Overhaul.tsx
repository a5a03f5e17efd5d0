'use client';

import { Button } from 'antd';
import Link from 'next/link';
import { useMemo, useRef, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { asBuilt } from '@/core/behaviour';
import { contextFor } from '@/core/diagnosis';
import { lastStanding, type LogBody } from '@/core/log';
import { conditionOf, nextOf, overhaulOf } from '@/core/overhaul';
import { type ReturnsSeen, yearsWanted } from '@/core/proof';
import { judgeAnswer } from '@/core/reading';
import { AskedReading } from '@/workshop/asked';
import { type JobFile, JobFrame, useJob, ofSentJob } from '@/workshop/job';
import { useVoice } from '@/workshop/voice';
import { Key, minutesText, sound } from '@/ui';
import { Ageing } from './Ageing';
import { FirstPower } from './FirstPower';
import { howOf, minutesLeft, picturesOfAWorkingSet } from './overhaulModel';
import { Stages } from './Stages';
import styles from './overhaul.module.css';

const keys = { enableOnFormTags: true, preventDefault: true } as const;

/** A set that nobody complains of: looked over, measured cold, run up in stages, measured live, and judged. */
export const Overhaul = ofSentJob(function Overhaul({
  file,
  seen,
}: {
  readonly file: JobFile;
  readonly seen: ReturnsSeen;
}) {
  const { log, job } = useJob(file);
  const { predictions, bench } = job;
  const { sheet } = predictions.model;
  const stages = useMemo(() => overhaulOf(job), [job]);
  const condition = useMemo(() => conditionOf(job, stages, seen, yearsWanted), [job, stages, seen]);
  const due = nextOf(stages);
  const [chosen, setChosen] = useState<string>();
  const input = useRef<HTMLInputElement>(null);
  const check = chosen === undefined ? due?.step?.check : predictions.checks.get(chosen);
  const closed = file.closedAt !== null;

  const record = (lines: readonly LogBody[]) => {
    log.record(lines.map((body) => ({ body })));
    const [first] = lines;
    if (first?.kind !== 'reading') return;
    sound(judgeAnswer(predictions, predictions.checks.get(first.check)!, first.answer, bench.context).mark);
    setChosen(undefined);
  };
  const pass = () => {
    if (!check || closed) return;
    log.record([{ body: { kind: 'unreachable', check: check.id } }]);
    setChosen(undefined);
  };
  const takeBack = () => {
    const last = lastStanding(log.entries);
    if (last) log.takeBack(last.id);
  };
  const newest = bench.readings.at(-1);
  const latest = stages.flatMap(({ steps }) => steps).find(({ row }) => newest && row?.reading === newest)?.row;
  const voice = useVoice(latest, check?.title ?? (due ? due.stage.title : 'nothing is left to measure'), undefined);
  useHotkeys('alt+x', pass, keys);
  useHotkeys('alt+z', takeBack, keys);
  useHotkeys('alt+a', voice.toggle, keys);

  return (
    <JobFrame file={file} log={log} bench={bench} ground={check?.ground}>
      <div className={styles.page}>
        <section aria-label="Next of the overhaul" className={styles.next}>
          <h1>Overhaul</h1>
          {closed && <p className="soft">The job is closed: this is how it was left.</p>}
          {!closed && check && (
            <AskedReading
              key={`${check.id}-${log.entries.length}`}
              job={job}
              check={check}
              wanted={contextFor(asBuilt(bench.context), check.state)}
              label={`${due?.stage.title ?? 'Once more'} · ${minutesText(check.minutes)}`}
              how={howOf(predictions, check)}
              entry="What it gives"
              pictures={check.measure === 'picture' ? picturesOfAWorkingSet(sheet) : []}
              input={input}
              onRecord={record}
            >
              <Button onClick={pass}>
                Can’t reach it <Key>Alt X</Key>
              </Button>
            </AskedReading>
          )}
          {!closed && !check && due && <FirstPower job={file.id} stages={stages} />}
          {!due && (
            <div className={styles.card}>
              <p className="label">All was looked at</p>
              <h2>{condition.found.length === 0 ? 'Nothing was read off' : `${condition.found.length} read off`}</h2>
              <p className="soft">
                {condition.found.length === 0
                  ? 'What may go next stands beside; then the condition report.'
                  : 'Each is put right, or said in the report. The bench asks on from these readings.'}
              </p>
            </div>
          )}
          <p className={styles.ways}>
            <Link href={`/job/${file.id}/condition`} className={due ? 'press' : 'press main'}>
              Condition report
            </Link>
            <Link href={`/job/${file.id}/kit`} className="press">
              What it takes, and fitting
            </Link>
            <Link href={`/job/${file.id}/bench`} className="press">
              To the bench
            </Link>
          </p>
          <p className="soft">
            {due ? `${minutesText(minutesLeft(stages))} to go. ` : ''}
            <Key>Alt Z</Key> takes the last line back, <Key>Alt A</Key> {voice.speaks ? 'is silent again' : 'speaks'}.
          </p>
        </section>
        <Stages stages={stages} asked={check?.id} onPick={setChosen} />
        <Ageing condition={condition} currency={file.currency} seen={seen}>
          <Link href={`/job/${file.id}/repair`} className="press">
            Record what was done
          </Link>
        </Ageing>
      </div>
    </JobFrame>
  );
});
