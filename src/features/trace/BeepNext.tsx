import { formatQuantity } from '@/core/quantity';
import { type Spot } from '@/core/tracing';
import { chanceText, Key } from '@/ui';
import { LookNext } from './PathFollowed';
import { LiftNext } from './ShortFollowed';
import styles from './trace.module.css';
import { type TraceView } from './traceModel';

interface BeepNextProps {
  readonly view: TraceView;
  /** The two pins that were pointed at; they come before what is proposed. */
  readonly pair: readonly [Spot, Spot] | undefined;
  /** Is the set live, so that no beep counts? */
  readonly isLive: boolean;
}

/** The one thing to do now on a board that is traced: what to lift, where to look, what to beep, or to type what sits on it. */
export function BeepNext({ view, pair, isLive }: BeepNextProps) {
  const { next, live, asks } = view;
  if (asks && !pair && !('part' in asks && isLive)) return <AskedByVolts asks={asks} />;
  if (isLive && (!view.path || pair))
    return (
      <div className={`task ${styles.next}`} role="status">
        <b>Pull the plug first</b>
        <span>
          Live by its record: <Key>Alt P</Key> once it is out. Parts can be typed meanwhile.
        </span>
      </div>
    );
  if (view.short && !pair) return <LiftNext short={view.short} />;
  if (view.path && !pair) return <LookNext path={view.path} />;
  const [a, b] = pair ?? [next?.a, next?.b];
  if (a === undefined || b === undefined)
    return (
      <div className={`task ${styles.next}`} role="status">
        <b>{view.parts.length < 2 ? 'What sits on it?' : 'Nothing is worth a beep now'}</b>
        <span>
          {view.parts.length < 2
            ? 'Type the parts, then beep: what to beep next is named here.'
            : live?.stands
              ? 'It stands as it was traced, as far as its volts were read.'
              : 'Type another part, a beep of your own, or what a pin reads live: volts Q5.c 4.2.'}
        </span>
      </div>
    );
  return (
    <div className={`task ${styles.next}`} role="status">
      <small>{pair ? 'pointed at' : `beep next · ${chanceText(next!.chance)} that it does`}</small>
      <b className="figure">
        {a} <span aria-hidden>–</span> {b}
      </b>
      <span>
        <Key>⏎</Key> it beeps · <Key>n</Key> <Key>⏎</Key> it does not · or type what you beeped
      </span>
    </div>
  );
}

/** What the volts that were read ask for. */
function AskedByVolts({ asks }: { readonly asks: NonNullable<TraceView['asks']> }) {
  return (
    <div className={`task ${styles.next}`} role="status">
      <small>
        {'feed' in asks
          ? 'next · what feeds this stage is low'
          : 'next · tells most between what the volts speak against'}
      </small>
      {'feed' in asks ? (
        <>
          <b>What makes {asks.feed.rail}?</b>
          <span>
            It reads {formatQuantity(asks.feed.read, 'V')}: it is missing, or something pulls it down. Part this stage
            from it, set off, and read it again.
          </span>
        </>
      ) : 'part' in asks ? (
        <>
          <b className="figure">{asks.part} by itself</b>
          <span>With the set off and its stores down: lift an end, measure it, look at its joints.</span>
        </>
      ) : (
        <>
          <b className="figure">volts {asks.spot}</b>
          <span>
            Set live, to ground, with the cautions of the bench: type{' '}
            <span className="figure">volts {asks.spot} 4.2</span>
          </span>
        </>
      )}
    </div>
  );
}

/** What to mind before the next touch. */
export function TraceCaution({ isLive }: { readonly isLive: boolean }) {
  return (
    <p className="caution">
      {isLive
        ? 'Live where it is looked for: one hand, insulated probe, and no earthed instrument on a set that is not isolated. Switch off before a clip is moved.'
        : 'Cold only: plug out, stores measured low. A beep through a coil, a low resistor or a junction is none.'}
    </p>
  );
}
