'use client';

import dynamic from 'next/dynamic';
import { type ReactNode, useDeferredValue, useEffect, useMemo, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { deference } from '@/core/safety';
import {
  boardSides,
  PatternLibrary,
  photoLine,
  pinTable,
  type TracedPart,
  type TracedPattern,
  traceFile,
  traceOf,
} from '@/core/tracing';
import { AttachPhoto } from '@/workshop/photo';
import { Key, LineEntry, say, WriteFile } from '@/ui';
import styles from './trace.module.css';
import { BeepNext, TraceCaution } from './BeepNext';
import { BoardSection } from './BoardSection';
import { NothingTraced } from './NothingTraced';
import { TracedParts } from './TracedParts';
import { TraceFound } from './TraceFound';
import { type TraceView, viewOf } from './traceModel';
import { useTraceEntry } from './useTraceEntry';

const TraceMeter = dynamic(() => import('./TraceMeter').then((loaded) => loaded.TraceMeter), { ssr: false });

/** The set that a board is of: there are photographs and a meter with it. */
interface TracedSet {
  readonly id: string;
  readonly simulatedMeter: boolean;
  /** What its plugs are called, by their references. */
  readonly plugs: ReadonlyMap<string, string>;
}

const noPlugs: ReadonlyMap<string, string> = new Map();

interface TraceProps {
  readonly patterns: readonly TracedPattern[];
  readonly title: string;
  readonly lines: readonly string[];
  readonly set?: TracedSet;
  /** Why no beep counts now; undefined where it does. */
  readonly off?: string | undefined;
  /** What is offered before anything is traced. */
  readonly before?: ReactNode;
  /** What may be done with what was found. */
  further?(view: TraceView): ReactNode;
  add(...lines: string[]): void;
  takeBack(): void;
}

/** A board becomes a stage: parts and beeps are typed or pointed at, what to beep next is named, and what it is. */
export function Trace({ patterns, title, lines, set, off, before, further, add, takeBack }: TraceProps) {
  const library = useMemo(() => new PatternLibrary(patterns), [patterns]);
  const trace = useMemo(() => traceOf(lines), [lines]);
  const settled = useDeferredValue(lines);
  const view = useMemo(() => viewOf(settled, library, title), [settled, library, title]);
  const [aloud, setAloud] = useState(false);
  const [metered, setMetered] = useState(false);
  const [asked, setAsked] = useState<TracedPart>();
  const entry = useTraceEntry({ trace, view, off, add });
  const { line, message, setMessage, picked, pair, wanted, toDo, isLive, take, type, enter, pick, open } = entry;
  useHotkeys('alt+z', takeBack, { preventDefault: true, enableOnFormTags: true });
  useHotkeys('alt+m', () => setMetered((was) => !was), {
    enabled: set !== undefined,
    preventDefault: true,
    enableOnFormTags: true,
  });
  useEffect(() => {
    if (aloud && toDo !== undefined) say(toDo.replaceAll('.', ' '));
  }, [aloud, toDo]);
  const [laidOut, setLaidOut] = useState(false);
  const onBoard = laidOut || trace.board.photos.length > 0 || view.board.pins.length > 0;
  const camera =
    set &&
    boardSides.map((side) => (
      <AttachPhoto
        key={side}
        job={set.id}
        title={trace.board.photos.some((one) => one.side === side) ? `${side} anew` : `Photograph the ${side}`}
        onKept={({ id }) => take(photoLine(side, set.id, id))}
        onRefused={setMessage}
      />
    ));
  return (
    <div className={styles.page} data-board={onBoard || undefined}>
      <section className={styles.now} aria-label="Beep next">
        <BeepNext view={view} pair={pair} isLive={off !== undefined} />
        <LineEntry
          label="A part or a beep"
          value={line}
          placeholder={
            view.parts.length < 2
              ? 'R12 4k7'
              : view.short
                ? 'g · s · short off'
                : view.path
                  ? 't · g · path off'
                  : 'R12.1 Q5.b'
          }
          maxLength={100}
          autoFocus
          message={message}
          onType={type}
          onEnter={enter}
        />
        {set && metered && (
          <TraceMeter
            job={set.id}
            simulated={set.simulatedMeter}
            between={off === undefined && line === '' ? wanted : undefined}
            found={lines.length}
            onOhms={([a, b], ohms) => take(`${a} ${b} ${ohms}`)}
          />
        )}
        <TraceCaution isLive={isLive} />
        {view.contradictions.map((text) => (
          <p key={text} role="alert" className="bad">
            {text}
          </p>
        ))}
        <TracedParts parts={view.parts} onShow={onBoard ? setAsked : undefined} />
        <p className="soft">
          {view.beeps} found · <Key>Alt Z</Key> takes the last line back ·{' '}
          {set && (
            <>
              <Key>Alt M</Key> meter ·{' '}
            </>
          )}
          <label>
            <input type="checkbox" checked={aloud} onChange={(event) => setAloud(event.target.checked)} /> Say what is
            next
          </label>
        </p>
        <p className="soft">{deference}</p>
      </section>
      <div className={styles.turnedOut}>
        {!onBoard && (
          <div className={styles.camera}>
            {camera}
            {view.parts.length > 0 && (
              <button type="button" className="press" onClick={() => setLaidOut(true)}>
                Lay it out on a plane
              </button>
            )}
          </div>
        )}
        {view.parts.length === 0 ? (
          <NothingTraced before={before} onBoard={open} onRefused={setMessage} />
        ) : (
          <TraceFound view={view} plugs={set?.plugs ?? noPlugs}>
            <div className={styles.files}>
              <WriteFile name="traced.cir" type="text/plain" text={() => view.netlist} title="Write the netlist" />
              <WriteFile
                name="traced.csv"
                type="text/csv"
                text={() => pinTable(view.net, new Map(view.board.pins.map(({ spot, at }) => [spot, at])))}
                title="Write its pins"
              />
              <WriteFile
                name="traced.json"
                type="application/json"
                text={() => traceFile(lines)}
                title="Write the board"
              />
            </div>
            {further?.(view)}
          </TraceFound>
        )}
      </div>
      {onBoard && (
        <div className={styles.board}>
          <BoardSection
            trace={trace}
            view={view.board}
            picked={picked}
            photoAddress={(photo) => `/api/jobs/${photo.replace('/', '/photos/')}`}
            camera={camera}
            asked={asked}
            onAsked={setAsked}
            onLine={take}
            onPick={pick}
          />
        </div>
      )}
    </div>
  );
}
