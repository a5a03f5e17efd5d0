'use client';

import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import { type KitPlace, kitPolicies, type KitPolicy } from '@/core/kit';
import { type ReturnsSeen, yearsWanted } from '@/core/proof';
import { chanceText, EmptyState, Key, minutesText, moneyText, say, spoken } from '@/ui';
import { type JobFile, JobFrame, useJob, useTakeBackKey, ofSentJob } from '@/workshop/job';
import { wantPart } from '@/workshop/parts';
import { Purchases } from './Purchases';
import styles from './kit.module.css';
import {
  badParts,
  fittedLine,
  fittedRefs,
  type InHouse,
  kitsOf,
  outlookOf,
  type PolicyOutlook,
  policyWords,
  spokenPlace,
  valueOf,
} from './kitModel';

interface KitPageProps {
  readonly file: JobFile;
  readonly house: ReadonlyMap<string, InHouse>;
  readonly seen: ReturnsSeen;
}

/** What to replace while the set is open: how much by choice, what to buy for it, and a list to tick while fitting. */
export const KitPage = ofSentJob(function KitPage({ file, house, seen }: KitPageProps) {
  const router = useRouter();
  const { log, job } = useJob(file);
  const { sheet } = file;
  const bad = useMemo(() => badParts(job, log.entries), [job, log.entries]);
  const kits = useMemo(() => kitsOf(sheet, bad), [sheet, bad]);
  const outlook = useMemo(() => outlookOf(kits, file, seen), [kits, file, seen]);
  const [policy, setPolicy] = useState<KitPolicy>(bad.length > 0 ? 'bad' : 'all');
  const [aloud, setAloud] = useState(false);
  const [refused, setRefused] = useState<string>();
  const kit = kits[policy];
  const fitted = fittedRefs(job);
  const next = kit.places.find(({ ref }) => !fitted.has(ref));
  const { power } = job.bench.context;
  const live = power === 'live';

  const fit = (place: KitPlace) => {
    log.record([{ body: fittedLine(place, sheet) }]);
    const after = kit.places.find(({ ref }) => ref !== place.ref && !fitted.has(ref));
    if (aloud && after) say(spoken(spokenPlace(after)));
  };
  const list = async (wanted: readonly { readonly typed: string; readonly count: number }[]) => {
    setRefused(undefined);
    for (const { typed, count } of wanted) {
      const answer = await wantPart({ id: crypto.randomUUID(), job: file.id, typed: `${typed} x${count}` });
      if ('refused' in answer) setRefused(answer.refused);
    }
    router.refresh();
  };
  useTakeBackKey(log);
  return (
    <JobFrame file={file} log={log} bench={job.bench}>
      <div className={styles.page}>
        <div className={styles.top}>
          <h1>Kit</h1>
          <div role="group" aria-label="How much is replaced" className={styles.policies}>
            {kitPolicies.map((one) => (
              <button
                key={one}
                type="button"
                aria-pressed={one === policy}
                disabled={kits[one].places.length === 0}
                onClick={() => setPolicy(one)}
              >
                <b>{policyWords[one]}</b>
                <small>
                  {kits[one].places.length} {kits[one].places.length === 1 ? 'part' : 'parts'} ·{' '}
                  {minutesText(kits[one].minutes)} · {moneyText(kits[one].money, file.currency)}
                </small>
                {kits[one].places.length > 0 && <small>{outlookText(outlook[one], file.currency)}</small>}
              </button>
            ))}
          </div>
        </div>
        {kit.places.length === 0 ? (
          <EmptyState title="Nothing to replace yet">
            <p>
              What measures bad at the bench or in the survey stands here, and what the sheet’s kit says of this kind of
              set; this sheet has no kit.
            </p>
          </EmptyState>
        ) : (
          <div className={styles.columns}>
            <Purchases kit={kit} house={house} refused={refused} list={(wanted) => void list(wanted)} />
            <section aria-label="Fitting" className={styles.fitting}>
              <h2 className="label">
                Fitting · {kit.places.filter(({ ref }) => fitted.has(ref)).length} of {kit.places.length}
              </h2>
              {power !== 'proven' && (
                <p className="caution">
                  {live ? 'The set is live' : 'The stores are not proven'}: parts are fitted with the plug out and the
                  stores proven.
                </p>
              )}
              {next && <Next key={next.ref} place={next} disabled={live} fit={() => fit(next)} />}
              {!next && <p className={styles.done}>● All of it is fitted. Set the trimmers anew before judging.</p>}
              <ol className={styles.places} data-testid="places">
                {kit.places.map((place) => (
                  <li key={place.ref} data-fitted={fitted.has(place.ref) ? '' : undefined}>
                    <span aria-hidden>{fitted.has(place.ref) ? '●' : '○'}</span>
                    <b className="figure">{place.ref}</b>
                    <span className="figure">{valueOf(place)}</span>
                    <small>
                      {place.bad ? '▲ bad' : 'kit'}
                      {fitted.has(place.ref) && ' · fitted'}
                    </small>
                  </li>
                ))}
              </ol>
              <p>
                <label>
                  <input type="checkbox" checked={aloud} onChange={(event) => setAloud(event.target.checked)} /> Read
                  each place aloud
                </label>{' '}
                · <Key>Alt Z</Key> takes the last back
              </p>
            </section>
          </div>
        )}
      </div>
    </JobFrame>
  );
});

/** `back within 2 years 31 % · saves £22 on average`. */
function outlookText({ risk, saves }: PolicyOutlook, currency: string): string {
  const amount = Math.round(Math.abs(saves));
  const money = amount === 0 ? '' : ` · ${saves > 0 ? 'saves' : 'costs'} ${moneyText(amount, currency)} on average`;
  return `back within ${yearsWanted} years ${chanceText(risk)}${money}`;
}

interface NextProps {
  readonly place: KitPlace;
  readonly disabled: boolean;
  readonly fit: () => void;
}

/** The place whose turn it is: its value and polarity read back before it counts as fitted. */
function Next({ place, disabled, fit }: NextProps) {
  const [asked, setAsked] = useState(false);
  const { ref, title, note, warnings, polarised, misprinted } = place;
  return (
    <div className={styles.next} data-misprinted={misprinted ? '' : undefined}>
      <p className={styles.ref}>
        <b className="figure">{ref}</b> <span>{title}</span>
      </p>
      <p className={`figure ${styles.value}`}>{valueOf(place)}</p>
      {note !== '' && <p>{note}</p>}
      {polarised && !misprinted && <p>◆ It has a right way round: compare with the old one before it is out.</p>}
      {warnings.map((words) => (
        <p key={words} className={styles.warning}>
          ▲ {words}
        </p>
      ))}
      {misprinted && asked ? (
        <p role="alert">
          <b>Does its minus lie on the ground plane, whatever the print says?</b>{' '}
          <button type="button" className="press main" disabled={disabled} onClick={fit}>
            Yes, it is checked
          </button>{' '}
          <button type="button" className="press" onClick={() => setAsked(false)}>
            No, turn it first
          </button>
        </p>
      ) : (
        <button
          type="button"
          className="press main"
          disabled={disabled}
          onClick={() => (misprinted ? setAsked(true) : fit())}
        >
          {ref} is fitted
        </button>
      )}
    </div>
  );
}
