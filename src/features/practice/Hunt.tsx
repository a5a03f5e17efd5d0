'use client';

import Link from 'next/link';
import { useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { type HuntAct } from '@/core/practice';
import { depict } from '@/core/picture';
import { powerWords, usePowerKeys } from '@/workshop/job';
import { LineDrawing } from '@/workshop/line';
import { Key, minutesText, moneyText, PictureView } from '@/ui';
import { ChooseSet } from './ChooseSet';
import { HuntDebrief } from './HuntDebrief';
import { HuntEntry } from './HuntEntry';
import { HuntRecord } from './HuntRecord';
import { actOf } from './actOf';
import { hintLevels, type HuntView, troubles } from './huntView';
import { JoinClass } from './JoinClass';
import { HuntFiles } from './HuntFiles';
import { useHunt, type Wanted } from './useHunt';
import styles from './hunt.module.css';

interface HuntProps {
  readonly currency: string;
  /** The code of a class that is to be joined. */
  readonly room?: string | undefined;
}

/** A hidden fault in a set that hurts nobody: found by probing, cured by a repair, and looked back on. */
export function Hunt({ currency, room }: HuntProps) {
  const { kept, view, refused, busy, begin, refuse, act, hint } = useHunt();
  const [typed, setTyped] = useState('');
  const [pointed, setPointed] = useState(0);
  const press = (done: HuntAct | undefined) => done && act(done);
  const open = view !== undefined && view.ended === undefined;
  usePowerKeys(
    { record: (lines) => lines.forEach(({ body }) => press(actOf(body))) },
    { context: { power: view?.power ?? 'unplugged', lamp: view?.lamp ?? false }, isolated: view?.isolated ?? false },
    !open,
  );
  useHotkeys('alt+w', () => act({ kind: 'warm' }), { enabled: open, enableOnFormTags: true, preventDefault: true });
  /** A bead that is pointed at is what is read next. */
  const pick = (net: string) => {
    const check = view?.checks.find((one) => one.net === net);
    if (check) setTyped(check.id);
    setPointed((times) => times + 1);
  };
  const most = kept?.exercise.hints;
  /** A hunt of one’s own that was left gives way to the class that is to be joined. */
  const joins = !view || view.ended !== undefined || (room !== undefined && kept?.seat?.room !== room);
  const starting = { busy, onBegin: (wanted: Wanted) => void begin(wanted), onRefused: refuse };
  return (
    <div aria-busy={busy}>
      <section
        className={styles.band}
        data-power={view?.power}
        aria-label={view ? `Practice: the set is ${powerWords[view.power].toLowerCase()}` : 'Practice'}
      >
        <strong>Practice</strong>
        {view && (
          <>
            <b role="status">{powerWords[view.power]}</b>
            <span>{view.isolated ? 'Isolated' : 'Not isolated'}</span>
            <span>{view.lamp ? 'Lamp in series' : 'Lamp out'}</span>
            {view.warm && <span>Warm</span>}
            <Apart view={view} />
          </>
        )}
        <span className={styles.aside}>Nothing of it enters the shop’s record.</span>
        {kept?.seat === undefined && room === undefined && (
          <>
            <Link href="/practice">Drills</Link>
            <Link href="/practice/room">A class</Link>
          </>
        )}
      </section>
      {refused !== undefined && (
        <p role="alert" className={`bad ${styles.refused}`}>
          {refused}
        </p>
      )}
      {joins && <JoinClass room={room} busy={busy} onJoin={(seat) => void begin({ seat })} />}
      {!view && (
        <ChooseSet {...starting} main="Put it on the bench">
          <h1>A set with a hidden fault</h1>
          <p>
            Its owner tells what he saw. Power it, probe it, change what you hold guilty. The clock runs by what each
            thing takes at a real bench, and what would have hurt you or the set is told, with the usual precaution.
          </p>
        </ChooseSet>
      )}
      {open && view.line && (
        <div className={styles.line}>
          <LineDrawing line={view.line} focusNet={view.checks.find(({ id }) => id === typed)?.net} onPick={pick} />
        </div>
      )}
      {view && kept && (
        <div className={styles.page}>
          <section aria-label="The set" className={styles.set}>
            <p className="label">
              {kept.exercise.title === view.set ? 'On the bench' : kept.exercise.title} · {kept.grade} of 5 ·{' '}
              {troubles[kept.exercise.world].title.toLowerCase()}
              {kept.seat && ` · class ${kept.seat.room}, ${kept.seat.name}`}
            </p>
            <h1>{view.set}</h1>
            {view.symptoms.length > 0 && <PictureView picture={depict(view.family, view.symptoms)} />}
            <p>{view.complaint}</p>
            <dl className={styles.purse}>
              <dt>Clock</dt>
              <dd className="figure">
                {minutesText(view.minutes)}
                {kept.exercise.minutes !== undefined && ` of ${minutesText(kept.exercise.minutes)}`}
              </dd>
              <dt>Parts</dt>
              <dd className="figure">{moneyText(view.money, currency)}</dd>
              <dt>Went wrong</dt>
              <dd className="figure" data-much={view.harm >= 1 || undefined}>
                {minutesText(view.harm)}
              </dd>
            </dl>
            {!view.ended && (
              <div className={styles.hints}>
                <p className="label">
                  A hint{most !== undefined && ` · ${Math.max(0, most - kept.hints.length)} left`}
                </p>
                {hintLevels.map((level) => (
                  <button
                    key={level}
                    type="button"
                    className="press"
                    disabled={busy || (most !== undefined && kept.hints.length >= most)}
                    onClick={() => hint(level)}
                  >
                    {level}
                  </button>
                ))}
                <button type="button" className="press" disabled={busy} onClick={() => act({ kind: 'give up' })}>
                  give up
                </button>
                {kept.hints.length > 0 && <p role="status">{kept.hints[kept.hints.length - 1]}</p>}
              </div>
            )}
            {view.ended && <ChooseSet {...starting} main="Another set" />}
            {view.debrief && <HuntFiles kept={kept} view={view} debrief={view.debrief} />}
          </section>
          <div className={styles.work} data-open={open || undefined}>
            {view.debrief ? (
              <HuntDebrief debrief={view.debrief} hints={kept.hints.length} />
            ) : (
              <div>
                <HuntEntry
                  view={view}
                  busy={busy}
                  currency={currency}
                  ready={kept.hints.length + pointed}
                  typed={typed}
                  onType={setTyped}
                  onAct={act}
                />
                <p className={`soft ${styles.keys}`}>
                  <Key>Alt P</Key> power · <Key>Alt L</Key> lamp · <Key>Alt I</Key> transformer · <Key>Alt W</Key> let
                  it run warm, as at the bench; a bead of the line is what is read next
                </p>
              </div>
            )}
            <HuntRecord rows={view.rows} />
          </div>
        </div>
      )}
    </div>
  );
}

/** What is pulled or lifted, so that nobody powers it up forgetting that. */
function Apart({ view: { connectors, lifted } }: { readonly view: Pick<HuntView, 'connectors' | 'lifted'> }) {
  const pulled = connectors.flatMap((one) => (one.pulled ? [one.id] : []));
  return (
    <>
      {pulled.length > 0 && <span>Pulled: {pulled.join(', ')}</span>}
      {lifted.length > 0 && <span>Lifted: {lifted.join(', ')}</span>}
    </>
  );
}
