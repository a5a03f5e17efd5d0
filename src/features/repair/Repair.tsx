'use client';

import { Button } from 'antd';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { type Briefing, proofOf } from '@/core/diagnosis';
import { toSet } from '@/core/job';
import { type BenchState } from '@/core/log';
import { chanceText, minutesText, moneyText } from '@/ui';
import { type JobFile, JobFrame, ToSetList, useJob, ofSentJob } from '@/workshop/job';
import { Suspects, useBriefing } from '@/workshop/advice';
import { BeforeAndAfter } from './BeforeAndAfter';
import { PutAside } from './PutAside';
import { RecordRepair } from './RecordRepair';
import { type OwnHand } from '@/core/kit';
import { namesAnother, repairChoices } from './repairModel';
import styles from './repair.module.css';

interface RepairProps {
  readonly file: JobFile;
  /** What is advised on the job as it is stored. */
  readonly briefing: Briefing;
  /** How the shop’s own soldering has gone. */
  readonly hand: OwnHand;
}

/** What was done, and whether the readings that were wrong are right since. */
export const Repair = ofSentJob(function Repair({ file, briefing, hand }: RepairProps) {
  const router = useRouter();
  const { log, job } = useJob(file);
  const { bench, predictions } = job;
  const { briefed, fresh } = useBriefing(file, log.entries, predictions, briefing);
  const proof = useMemo(() => proofOf(job), [job]);
  const choices = useMemo(() => repairChoices(briefed, file.sheet), [briefed, file.sheet]);
  const unset = useMemo(() => toSet(job), [job]);
  const [again, setAgain] = useState(false);

  const more = fresh && namesAnother(briefed, proof);
  const recording = choices.length > 0 && (bench.repairs.length === 0 || again || more);
  const keys = { enableOnFormTags: true, preventDefault: true } as const;
  useHotkeys('mod+enter', () => router.push(`/job/${file.id}/close`), { ...keys, enabled: !recording && proof.done });
  useHotkeys('alt+b', () => router.push(`/job/${file.id}/bench`), keys);

  return (
    <JobFrame file={file} log={log} bench={bench}>
      <div className={styles.columns}>
        <section className={styles.column} aria-label="What was done">
          {recording ? (
            <RecordRepair
              key={bench.repairs.length}
              choices={choices}
              job={file.id}
              sheet={file.sheet}
              power={bench.context.power}
              currency={file.currency}
              hourlyRate={file.hourlyRate}
              hand={hand}
              onRecord={(body) => {
                log.record([{ body }]);
                setAgain(false);
              }}
            />
          ) : (
            <>
              <p className="label">Done so far</p>
              <DoneSoFar repairs={bench.repairs} currency={file.currency} />
              {unset.length > 0 && (
                <p className={styles.fitting} role="note">
                  <span>
                    To set on the new board: <ToSetList list={unset} job={file.id} />
                  </span>
                </p>
              )}
              <Button onClick={() => setAgain(true)}>Record another repair</Button>
            </>
          )}
          <p>
            <Link href={`/job/${file.id}/kit`} className="press">
              Several parts at once
            </Link>
          </p>
          {file.closedAt === null && <PutAside file={file} />}
        </section>
        <section className={styles.column} aria-label="Before and after">
          <p className="label">The readings that must change</p>
          <BeforeAndAfter
            id={file.id}
            job={job}
            proof={proof}
            lines={log.entries.length}
            record={(lines) => log.record(lines.map((body) => ({ body })))}
          />
        </section>
        <section className={styles.column}>
          <Suspects briefed={briefed} most={5} />
          {bench.repairs.length > 0 && (
            <p className="soft">
              By all readings, what was done cures it with <b className="figure">{chanceText(briefed.curedChance)}</b>.
            </p>
          )}
        </section>
      </div>
    </JobFrame>
  );
});

function DoneSoFar({ repairs, currency }: Pick<BenchState, 'repairs'> & { readonly currency: string }) {
  return (
    <ul className={styles.done}>
      {repairs.map(({ entry, repair }) => (
        <li key={entry.id}>
          <b>{repair.title}</b>
          <span className="figure">
            {moneyText(repair.money, currency)} · {minutesText(repair.minutes)}
          </span>
          {repair.note !== '' && <p className="soft">{repair.note}</p>}
        </li>
      ))}
    </ul>
  );
}
