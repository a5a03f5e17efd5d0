'use client';

import { changesMade } from '@/core/log';
import { Button } from 'antd';
import Link from 'next/link';
import { useMemo, useState } from 'react';
import { type Predictions } from '@/core/behaviour';
import {
  type Advice,
  evidenceFor,
  type Observation,
  type Posterior,
  type Reason,
  reasonsFrom,
  restsOn,
  type Suspect,
} from '@/core/diagnosis';
import { answerText, expectedText } from '@/core/reading';
import { type Sheet } from '@/core/sheet';
import { type JobFile } from '@/workshop/job';
import { Bar, chanceText, Key, minutesText, moneyText } from '@/ui';
import styles from '@/features/bench/bench.module.css';

const shown = 3;

/** The likeliest faults, each with the readings that raised and lowered it. */
export function Suspects({
  posterior,
  predictions,
  closed = new Map(),
  most = shown,
}: {
  posterior: Posterior;
  predictions: Predictions;
  /** Closed jobs of such sets, by fault. */
  closed?: ReadonlyMap<string, number>;
  most?: number;
}) {
  const [open, setOpen] = useState<string>();
  // What a repair has dealt with stands below what is still open.
  const leading = posterior.suspects
    .filter(({ probability }) => probability > 0.004)
    .slice(0, most)
    .sort((a, b) => Number(a.cured) - Number(b.cured));
  const rest = posterior.suspects.length - leading.length;
  const done = [...closed.values()].reduce((sum, count) => sum + count, 0);
  const [pair] = posterior.pairs;
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
            met={closed.has(suspect.fault.id) ? `${closed.get(suspect.fault.id)} of your ${done} such sets` : undefined}
            open={open === suspect.fault.id}
            onToggle={() => setOpen(open === suspect.fault.id ? undefined : suspect.fault.id)}
          />
        ))}
      </ul>
      {pair && pair.probability > pairShown && (
        <p className={styles.pair}>
          <b>Two at once</b> <span className="figure">{chanceText(pair.probability)}</span>: {pair.faults[0].title} and{' '}
          {pair.faults[1].title}. No single fault explains every reading.
        </p>
      )}
      <Doubts posterior={posterior} predictions={predictions} />
      {rest > 0 && (
        <p className={styles.rest}>
          {rest} others share{' '}
          {chanceText(posterior.suspects.slice(leading.length).reduce((sum, { probability }) => sum + probability, 0))}.
        </p>
      )}
    </section>
  );
}

/** Pairs less likely than this are not mentioned. */
const pairShown = 0.15;
/** A leading suspect this likely says on what it rests. */
const leadingFrom = 0.5;

/** Readings that are likely slips, and the one on which the leading suspect rests. */
function Doubts({ posterior, predictions }: { posterior: Posterior; predictions: Predictions }) {
  const alone = useMemo(() => restsOn(posterior), [posterior]);
  const said = ({ check, answer, context }: Observation) => {
    const given = answerText(check, answer);
    const good = expectedText(predictions, check, context);
    const changes = changesMade(context);
    return [
      `${check.title} ${given}`,
      ...(given === good ? [] : [`good is ${good}`]),
      ...(changes.length > 0 ? [`with ${changes.join(', ')}`] : []),
    ].join(', ');
  };
  const leads = (posterior.suspects[0]?.probability ?? 0) >= leadingFrom;
  return (
    <>
      {posterior.doubts.map(({ observation, chance }) => (
        <p key={observation.entry} className={styles.doubt} role="note">
          <b>Misread?</b> {said(observation)}: speaks against all the rest, a slip with{' '}
          <span className="figure">{chanceText(chance)}</span>
          {observation.times > 1 ? '; read twice' : '. Read it again'}.
        </p>
      ))}
      {alone && leads && !posterior.doubts.some(({ observation }) => observation === alone) && (
        <p className={styles.rest}>Rests on one reading: {said(alone)}.</p>
      )}
    </>
  );
}

interface SuspectRowProps {
  readonly suspect: Suspect;
  readonly posterior: Posterior;
  readonly predictions: Predictions;
  readonly open: boolean;
  /** How often the shop has met it. */
  readonly met: string | undefined;
  onToggle(): void;
}

function SuspectRow({ suspect, posterior, predictions, open, met, onToggle }: SuspectRowProps) {
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
      {told.map((reason, index) => (
        <ReasonLine key={reason.text} reason={reason} full={open} met={index === 0 ? met : undefined} />
      ))}
      {told.length === 0 && met !== undefined && <p className={styles.met}>{met}</p>}
      {open && <p className={styles.reason}>Before any reading it stood at {chanceText(suspect.prior)}.</p>}
    </li>
  );
}

interface ReasonLineProps {
  readonly reason: Reason;
  readonly full: boolean;
  readonly met: string | undefined;
}

function ReasonLine({ reason, full, met }: ReasonLineProps) {
  const factor = reason.factor >= 10 ? Math.round(reason.factor) : Number(reason.factor.toPrecision(2));
  return (
    <p className={styles.reason} title={reason.text}>
      <b className="figure">{reason.raises ? `×${factor}` : `÷${factor}`}</b>{' '}
      <span data-full={full || undefined}>{reason.text}</span>
      {met !== undefined && <em className={styles.met}>{met}</em>}
    </p>
  );
}

interface DecisionProps {
  readonly advice: Advice;
  readonly file: Pick<JobFile, 'id' | 'value' | 'limit' | 'currency' | 'hourlyRate'>;
  readonly sheet: Sheet;
  readonly spent: number;
}

/** Act now or test once more, with what each would bring. */
export function Decision({ advice, file, sheet, spent }: DecisionProps) {
  const { id: job, limit, currency } = file;
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
      <header>
        <h2>{advice.next === 'act' ? 'Act now' : 'Act or test once more?'}</h2>
        <Link href={`/job/${job}/repair`}>
          <Button type="primary" ghost={advice.next !== 'act'}>
            Plan the repair <Key>Alt R</Key>
          </Button>
        </Link>
      </header>
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
      <Worth advice={advice} file={file} sheet={sheet} />
      {beyond && <p className="bad">With that, parts pass the limit of {moneyText(limit, currency)}.</p>}
    </section>
  );
}

/** Whether going on pays, against taking the set apart for its boards. */
function Worth({ advice, file, sheet }: Pick<DecisionProps, 'advice' | 'file' | 'sheet'>) {
  const probing = advice.next === 'probe' ? (advice.probes[0]?.saves ?? 0) : 0;
  // Minutes already hold the money for parts, at the shop's rate.
  const ahead = ((advice.repairNow - Math.max(0, probing)) / 60) * file.hourlyRate;
  const likeliest = advice.posterior.suspects[0];
  const ruined = likeliest && sheet.parts.get(likeliest.fault.part)?.board;
  const boards = [...sheet.boards.values()].reduce((sum, { id, value }) => (id === ruined ? sum : sum + value), 0);
  const strips = boards > file.value - ahead;
  return (
    <p className={strips ? 'bad' : 'soft'}>
      Going on costs about <b className="figure">{moneyText(Math.round(ahead), file.currency)}</b> of its{' '}
      <b className="figure">{moneyText(file.value, file.currency)}</b>; its good boards would fetch{' '}
      <b className="figure">{moneyText(boards, file.currency)}</b>
      {strips ? ': stripping it pays more.' : '.'}
    </p>
  );
}
