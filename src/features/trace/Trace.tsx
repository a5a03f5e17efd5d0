'use client';

import { type ReactNode, useDeferredValue, useEffect, useMemo, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { attempt, Refusal } from '@/core/quantity';
import { deference } from '@/core/safety';
import { PatternLibrary, type TracedPattern, traceOf, withTraced } from '@/core/tracing';
import { chanceText, EmptyState, Key, LineEntry, say, WriteFile } from '@/ui';
import styles from './trace.module.css';
import { LiftNext } from './ShortFollowed';
import { TraceFound } from './TraceFound';
import { viewOf } from './traceModel';

interface TraceProps {
  readonly patterns: readonly TracedPattern[];
  readonly title: string;
  readonly lines: readonly string[];
  /** Why no beep counts now; undefined where it does. */
  readonly off?: string | undefined;
  /** What may be done with what was found. */
  readonly further?: ReactNode;
  add(line: string): void;
  takeBack(): void;
}

/** A board becomes a stage: parts and beeps are typed, what to beep next is named, and what it is. */
export function Trace({ patterns, title, lines, off, further, add, takeBack }: TraceProps) {
  const library = useMemo(() => new PatternLibrary(patterns), [patterns]);
  const settled = useDeferredValue(lines);
  const view = useMemo(() => viewOf(settled, library, title), [settled, library, title]);
  const [line, setLine] = useState('');
  const [message, setMessage] = useState<string>();
  const [aloud, setAloud] = useState(false);
  const { next } = view;
  const take = (text: string) => {
    if (off !== undefined) return setMessage(off);
    const read = attempt(() => withTraced(traceOf(lines), text));
    if (read instanceof Refusal) return setMessage(read.message);
    add(text.trim());
    setLine('');
    setMessage(undefined);
  };
  const answer = (joined: boolean) => next && take(`${next.a} ${joined ? '' : 'not '}${next.b}`.replace('  ', ' '));
  const lift = view.short?.next;
  const enter = () => {
    const typed = line.trim().toLowerCase();
    if (lift && (typed === 'g' || typed === 'gone')) return take(`lifted ${lift.ref} gone`);
    if (lift && (typed === 's' || typed === 'still')) return take(`lifted ${lift.ref} still`);
    if (view.short && typed === '') return undefined;
    if (typed === '' || typed === 'y' || typed === 'yes') return void answer(true);
    if (typed === 'n' || typed === 'no') return void answer(false);
    take(line);
  };
  useHotkeys('alt+z', takeBack, { preventDefault: true, enableOnFormTags: true });
  const words = lift ? `lift ${lift.ref}` : next && `${next.a} to ${next.b}`;
  useEffect(() => {
    if (aloud && words !== undefined) say(words.replaceAll('.', ' '));
  }, [aloud, words]);
  return (
    <div className={styles.page}>
      <section className={styles.now} aria-label="Beep next">
        {view.short ? (
          <LiftNext short={view.short} />
        ) : next ? (
          <div className={`task ${styles.next}`} role="status">
            <small>beep next · {chanceText(next.chance)} that it does</small>
            <b className="figure">
              {next.a} <span aria-hidden>–</span> {next.b}
            </b>
            <span>
              <Key>⏎</Key> it beeps · <Key>n</Key> <Key>⏎</Key> it does not · or type what you beeped
            </span>
          </div>
        ) : (
          <div className={`task ${styles.next}`} role="status">
            <b>{view.parts.length < 2 ? 'What sits on it?' : 'Nothing is worth a beep now'}</b>
            <span>
              {view.parts.length < 2
                ? 'Type the parts, then beep: what to beep next is named here.'
                : 'Type another part, or a beep of your own.'}
            </span>
          </div>
        )}
        <LineEntry
          label="A part or a beep"
          value={line}
          placeholder={view.parts.length < 2 ? 'R12 4k7' : view.short ? 'g · s · short off' : 'R12.1 Q5.b'}
          maxLength={100}
          autoFocus
          message={message}
          onType={(text) => {
            setLine(text);
            setMessage(undefined);
          }}
          onEnter={enter}
        />
        <p className="caution">
          Cold only: plug out, stores measured low. A beep through a coil, a low resistor or a junction is none.
        </p>
        {view.contradictions.map((text) => (
          <p key={text} role="alert" className="bad">
            {text}
          </p>
        ))}
        <ul className={styles.parts} aria-label="Parts">
          {view.parts.map(({ ref, kind }) => (
            <li key={ref}>
              <b className="figure">{ref}</b> <small>{kind}</small>
            </li>
          ))}
        </ul>
        <p className="soft">
          {view.beeps} found · <Key>Alt Z</Key> takes the last line back ·{' '}
          <label>
            <input type="checkbox" checked={aloud} onChange={(event) => setAloud(event.target.checked)} /> Say what is
            next
          </label>
        </p>
        <p className="soft">{deference}</p>
      </section>
      {view.parts.length === 0 ? (
        <EmptyState title="Nothing is traced yet">
          <p>
            Parts: <span className="figure">R12 4k7, Q5 npn, D2 zener 5.6, C3 100n, IC1 8</span>. Beeps:{' '}
            <span className="figure">R12.1 Q5.b</span>, on a rail <span className="figure">R12.2 +12</span>, none{' '}
            <span className="figure">R12.1 not gnd</span>, or ohms <span className="figure">R12.1 Q5.c 4k7</span>. A
            rail that reads like a short is followed to its part: <span className="figure">short +12 0.8</span>.
          </p>
        </EmptyState>
      ) : (
        <TraceFound view={view}>
          <WriteFile name="traced.cir" type="text/plain" text={() => view.netlist} title="Write the netlist" />
          {further}
        </TraceFound>
      )}
    </div>
  );
}
