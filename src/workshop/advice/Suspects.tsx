'use client';

import { sum, sumOf } from '@/core/statistics';
import { useState } from 'react';
import { type Briefed, type Reason, type ToldSuspect } from '@/core/diagnosis';
import { Bar, chanceText, minutesText } from '@/ui';
import styles from './suspects.module.css';

const shown = 3;
const metText = (met: number, done: number) => (met >= 1 ? `${Math.floor(met)} of your ${done} such sets` : undefined);

const listed = new Intl.ListFormat('en-GB');

/** Suspects less likely than this are not shown by themselves. */
const least = 0.004;

interface SuspectsProps {
  readonly briefed: Briefed;
  /** Closed jobs of such sets, by fault. */
  readonly closed?: ReadonlyMap<string, number>;
  readonly most?: number;
}

/** The likeliest faults, each with the readings that raised and lowered it. */
export function Suspects({ briefed, closed = new Map(), most = shown }: SuspectsProps) {
  const [open, setOpen] = useState<string>();
  const { suspects, reasons, together } = briefed;
  // What a repair has dealt with stands below what is still open.
  const leading = suspects
    .filter(({ probability }) => probability > least)
    .slice(0, most)
    .sort((a, b) => Number(a.cured) - Number(b.cured));
  const others = suspects.slice(leading.length);
  // What other shops lend weighs less than a set of one’s own, and is none of them.
  const done = Math.floor(sum(closed.values()));
  return (
    <section aria-label="Suspects">
      <h2 className="label">Suspects · {suspects.length} weighed</h2>
      <ul className={styles.suspects} data-testid="suspects">
        {leading.map((suspect, place) => (
          <SuspectRow
            key={suspect.fault.id}
            suspect={suspect}
            isFirst={place === 0}
            reasons={reasons[suspect.fault.id] ?? []}
            met={metText(closed.get(suspect.fault.id) ?? 0, done)}
            open={open === suspect.fault.id}
            onToggle={() => setOpen(open === suspect.fault.id ? undefined : suspect.fault.id)}
          />
        ))}
      </ul>
      {together && (
        <p className={styles.several}>
          <b>Several at once</b> <span className="figure">{chanceText(together.probability)}</span>:{' '}
          {listed.format(together.titles)}. Together they explain the readings better than any one of them.
        </p>
      )}
      <Found found={briefed.found} />
      <Doubts {...briefed} />
      {others.length > 0 && (
        <p className={styles.rest}>
          {others.length} others share {chanceText(sumOf(others, ({ probability }) => probability))}
          {leading.some(({ unread }) => unread !== undefined) && '; the rest is left for what nobody thought of'}.
        </p>
      )}
    </section>
  );
}

/** Parts that proved bad by themselves: whatever explains the complaint, they are put right. */
function Found({ found }: Pick<Briefed, 'found'>) {
  if (found.length === 0) return null;
  const minutes = sumOf(found, (one) => one.minutes);
  const stranger = found.find(({ putIn }) => putIn !== undefined);
  return (
    <p className={styles.several} data-testid="found">
      <b>{found.length === 1 ? 'Found bad' : `${found.length} found bad`}</b>, put right first:{' '}
      {found
        .map(({ title, part, said, putIn }) =>
          putIn === undefined ? (title.includes(part) ? title : `${title} ${part}`) : `${part} (${said})`,
        )
        .join(', ')}
      {minutes > 0 && (
        <>
          {' '}
          · about <span className="figure">{minutesText(minutes)}</span>
        </>
      )}
      {stranger && (
        <>
          . No sheet knows {stranger.part}: it counts once it is said what it does, like “
          <span className="figure">{stranger.putIn}</span>”
        </>
      )}
    </p>
  );
}

/** Readings that are likely outliers, the one on which the leading suspect rests, and whether the fault shows at all now. */
function Doubts({ doubts, alone, dormant, badDonors }: Pick<Briefed, 'doubts' | 'alone' | 'dormant' | 'badDonors'>) {
  return (
    <>
      {dormant && (
        <p className={styles.doubt} role="note">
          <b>It does not show now.</b> What is read tells little until it does: switch off and on, tap, let it warm up.
        </p>
      )}
      {badDonors.map(({ board, chance }) => (
        <p key={board} className={styles.doubt} role="note">
          <b>A bad donor?</b> The donor’s {board} is bad itself with{' '}
          <span className="figure">{chanceText(chance)}</span>: it clears nothing. Try another, or read more points with
          both.
        </p>
      ))}
      {doubts.map(({ entry, ofPart, said, chance, twice, own }) => (
        <p key={entry} className={styles.doubt} role="note">
          {twice ? (
            <>
              <b>Not explained.</b> {said}: read twice, so it stands, and what leads does not explain it. Something else
              is wrong as well, or more than the sheet knows.
            </>
          ) : ofPart ? (
            <>
              <b>Bad, or misread?</b> {said}: explains nothing of the rest. Read it again.
            </>
          ) : (
            <>
              <b>Misread?</b> {said}: speaks against all the rest, a slip with{' '}
              <span className="figure">{chanceText(chance)}</span>. Read it again.
            </>
          )}
          {own !== undefined && (
            <>
              {' '}
              The sheet only guesses here: if this set’s papers have it so, type <span className="figure">{own}</span>.
            </>
          )}
        </p>
      ))}
      {alone !== undefined && <p className={styles.rest}>Rests on one reading: {alone}.</p>}
    </>
  );
}

interface SuspectRowProps {
  readonly suspect: ToldSuspect;
  readonly isFirst: boolean;
  readonly reasons: readonly Reason[];
  readonly open: boolean;
  /** How often the shop has met it. */
  readonly met: string | undefined;
  onToggle(): void;
}

function SuspectRow({ suspect, isFirst, reasons, open, met, onToggle }: SuspectRowProps) {
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
      {suspect.unread !== undefined && isFirst && (
        <p className={styles.unread}>Nothing was read of the part itself: one in eight such leads is wrong.</p>
      )}
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
