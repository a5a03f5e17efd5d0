'use client';

import { Button } from 'antd';
import Link from 'next/link';
import { useMemo, useState } from 'react';
import { type Predictions } from '@/core/behaviour';
import { type Advice, evidenceFor, type Posterior, type Reason, reasonsFrom, type Suspect } from '@/core/diagnosis';
import { Bar, chanceText, Key, minutesText, moneyText } from '@/ui';
import styles from './bench.module.css';

const shown = 3;

/** The likeliest faults, each with the readings that raised and lowered it. */
export function Suspects({
  posterior,
  predictions,
  most = shown,
}: {
  posterior: Posterior;
  predictions: Predictions;
  most?: number;
}) {
  const [open, setOpen] = useState<string>();
  const leading = posterior.suspects.filter(({ probability }) => probability > 0.004).slice(0, most);
  const rest = posterior.suspects.length - leading.length;
  return (
    <section aria-label="Suspects">
      <h2 className="label">Suspects · {posterior.suspects.length} weighed</h2>
      <ul className={styles.suspects} data-testid="suspects">
        {leading.map((suspect) => (
          <SuspectRow
            key={suspect.fault.id}
            suspect={suspect}
            posterior={posterior}
            predictions={predictions}
            open={open === suspect.fault.id}
            onToggle={() => setOpen(open === suspect.fault.id ? undefined : suspect.fault.id)}
          />
        ))}
      </ul>
      {rest > 0 && (
        <p className={styles.rest}>
          {rest} others share{' '}
          {chanceText(posterior.suspects.slice(leading.length).reduce((sum, { probability }) => sum + probability, 0))}.
        </p>
      )}
    </section>
  );
}

interface SuspectRowProps {
  readonly suspect: Suspect;
  readonly posterior: Posterior;
  readonly predictions: Predictions;
  readonly open: boolean;
  onToggle(): void;
}

function SuspectRow({ suspect, posterior, predictions, open, onToggle }: SuspectRowProps) {
  const reasons = useMemo(
    () => reasonsFrom(predictions, evidenceFor(posterior, suspect.fault.id)),
    [posterior, predictions, suspect],
  );
  const told = open ? reasons : reasons.slice(0, 1);
  return (
    <li data-fault={suspect.fault.id}>
      <button type="button" onClick={onToggle} aria-expanded={open}>
        <span className={styles.suspectTop}>
          <b>
            {suspect.fault.title}
            {suspect.cured && <em> · dealt with</em>}
          </b>
          <span className="figure">{chanceText(suspect.probability)}</span>
        </span>
        <Bar share={suspect.probability} tone={suspect.cured ? 'petrol' : 'copper'} />
      </button>
      {told.map((reason) => (
        <ReasonLine key={reason.text} reason={reason} full={open} />
      ))}
      {open && <p className={styles.reason}>Before any reading it stood at {chanceText(suspect.prior)}.</p>}
    </li>
  );
}

function ReasonLine({ reason, full }: { reason: Reason; full: boolean }) {
  const factor = reason.factor >= 10 ? Math.round(reason.factor) : Number(reason.factor.toPrecision(2));
  return (
    <p className={styles.reason} title={reason.text}>
      <b className="figure">{reason.raises ? `×${factor}` : `÷${factor}`}</b>{' '}
      <span data-full={full || undefined}>{reason.text}</span>
    </p>
  );
}

interface DecisionProps {
  readonly advice: Advice;
  readonly job: string;
  readonly limit: number;
  readonly spent: number;
  readonly currency: string;
}

/** Act now or test once more, with what each would bring. */
export function Decision({ advice, job, limit, spent, currency }: DecisionProps) {
  const [repair] = advice.repairs;
  const [probe] = advice.probes;
  if (advice.next === 'verify') {
    return (
      <section className={styles.decision} data-next="verify">
        <h2>Verify the repair</h2>
        <p>
          What was done cures it with <b className="figure">{chanceText(advice.curedChance)}</b> by the readings so far.
          Measure again what was wrong.
        </p>
        <Link href={`/job/${job}/repair`}>
          <Button type="primary" ghost>
            Measure before and after <Key>Alt R</Key>
          </Button>
        </Link>
      </section>
    );
  }
  if (!repair) return null;
  const beyond = spent + repair.action.money > limit;
  return (
    <section className={styles.decision} data-next={advice.next}>
      <h2>{advice.next === 'act' ? 'Act now' : 'Act now or test once more?'}</h2>
      <p>
        {repair.action.title}:{' '}
        <b className="figure">
          {moneyText(repair.action.money, currency)} · {minutesText(repair.minutes)}
        </b>
        , cures it with <b className="figure">{chanceText(repair.chance)}</b>.{' '}
        {probe && advice.next === 'probe' ? (
          <>
            One more test first saves <b className="figure">{Math.max(1, Math.round(probe.saves))} min</b> on average.
          </>
        ) : (
          'No test left is worth its minutes.'
        )}
      </p>
      {beyond && <p className="bad">With that, parts pass the limit of {moneyText(limit, currency)}.</p>}
      <Link href={`/job/${job}/repair`}>
        <Button type="primary" ghost={advice.next !== 'act'}>
          Plan the repair <Key>Alt R</Key>
        </Button>
      </Link>
    </section>
  );
}
