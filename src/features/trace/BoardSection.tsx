'use client';

import { Button } from 'antd';
import { type ReactNode, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { pairsNeeded, type Point } from '@/core/plane';
import {
  boardSides,
  holeLine,
  laidLike,
  placeLine,
  shownPins,
  type Trace,
  type TracedPart,
  turnedQuarter,
} from '@/core/tracing';
import { Key } from '@/ui';
import { type BoardView, pinNear, shownLike, unplacedOf } from './boardModel';
import styles from './board.module.css';
import { BoardPlane } from './BoardPlane';
import { LaidBy } from './LaidBy';
import { Photograph } from './Photograph';
import { useAlignment } from './useAlignment';
import { usePhotoPixels } from './usePhotoPixels';

/** Height of a board without a photograph, as a share of its width. */
const bareHigh = 0.62;

interface BoardSectionProps {
  /** As it stands this moment; what is drawn of it may come a moment later. */
  readonly trace: Trace;
  readonly view: BoardView;
  readonly picked: readonly string[];
  /** Where a photograph is fetched from. */
  photoAddress(photo: string): string;
  /** Takes photographs; nothing where none are kept. */
  readonly camera?: ReactNode;
  /** A part that is to be shown anew. */
  readonly asked: TracedPart | undefined;
  onAsked(part: TracedPart | undefined): void;
  /** Adds a line. @returns whether it was taken */
  onLine(line: string): boolean;
  onPick(spot: string): void;
}

/** The board that is traced: where its parts lie, what is joined, and the two pins to beep next. */
export function BoardSection(props: BoardSectionProps) {
  const { trace, view, picked, photoAddress, camera, asked, onAsked, onLine, onPick } = props;
  const [first, second] = trace.board.photos;
  const under = usePhotoPixels(first && photoAddress(first.photo));
  const over = usePhotoPixels(second && photoAddress(second.photo));
  const alignment = useAlignment(trace.board, photoAddress);
  const [through, setThrough] = useState(0);
  const [shown, setShown] = useState<readonly Point[]>([]);
  const [later, setLater] = useState<ReadonlySet<string>>(new Set());
  const [aligning, setAligning] = useState<{ readonly lies?: Point }>();
  const unplaced = unplacedOf(trace);
  const part = asked ?? unplaced.find(({ ref }) => !later.has(ref));
  const pins = part && shownPins(part);
  const alone = aligning?.lies !== undefined;
  const high = (alone ? over.high : under.high) ?? bareHigh;
  const placed = [...trace.board.shown.keys()].at(-1);
  const turn = () => {
    const points = placed === undefined ? undefined : trace.board.shown.get(placed);
    if (placed !== undefined && points) onLine(placeLine(placed, turnedQuarter(points)));
  };
  useHotkeys('alt+q', turn, { preventDefault: true, enableOnFormTags: true });
  useHotkeys(
    'escape',
    () => {
      setShown([]);
      if (aligning) return setAligning(undefined);
      setLater(new Set(unplaced.map(({ ref }) => ref)));
      onAsked(undefined);
    },
    { enableOnFormTags: true },
  );
  const place = (of: TracedPart, at: Point) => {
    const points = [...shown, at];
    const like = points.length === 1 && !asked ? shownLike(of, trace) : undefined;
    const alike = like && laidLike(at, like);
    const all = alike?.every(({ x, y }) => x >= 0 && x <= 1 && y >= 0 && y <= high) ? alike : points;
    if (all.length < shownPins(of).length) return setShown(points);
    setShown([]);
    onAsked(undefined);
    onLine(placeLine(of.ref, all));
  };
  /** The middle of the pad that was meant, on the photograph that one looks at. */
  const middleNear = (at: Point): Point => {
    const { projection } = alignment ?? {};
    if (!projection || through <= 50) return under.middleNear(at);
    return projection.at(over.middleNear(projection.back().at(at)));
  };
  const point = (at: Point, reach: number) => {
    if (aligning?.lies) {
      onLine(holeLine({ lies: aligning.lies, seen: over.middleNear(at) }));
      return setAligning(trace.board.holes.length + 1 < pairsNeeded ? {} : undefined);
    }
    if (aligning) return setAligning({ lies: under.middleNear(at) });
    if (part) return place(part, middleNear(at));
    const pin = pinNear(view.pins, at, reach);
    if (pin) onPick(pin.spot);
  };
  return (
    <section className={styles.section} aria-label="The board">
      <header>
        <p role="status">
          {aligning ? (
            <>
              <b>
                {aligning.lies
                  ? `Now the same hole on the ${second!.side}`
                  : `On the ${first!.side}, click a hole you will know again`}
              </b>{' '}
              · hole {trace.board.holes.length + 1}, near another corner each time · <Key>Esc</Key> ends
            </>
          ) : part && pins ? (
            <>
              <b>
                Click pin {pins[shown.length]} of {part.ref}
              </b>
              {shown.length === 0 &&
                !asked &&
                shownLike(part, trace) !== undefined &&
                ' · the others as the last one of its kind'}{' '}
              · <Key>Esc</Key> later
            </>
          ) : (
            <>
              Click two pins, then <Key>⏎</Key> it beeps · <Key>n</Key> it does not
              {placed !== undefined && (
                <>
                  {' '}
                  · <Key>Alt Q</Key> turns {placed}
                </>
              )}
            </>
          )}
        </p>
        {trace.board.photos.length > 0 && <span className={styles.break} />}
        {alignment && !aligning && (
          <label>
            {first!.side}
            <input
              type="range"
              min={0}
              max={100}
              value={through}
              aria-label={`${second!.side} over ${first!.side}, percent`}
              onChange={(event) => setThrough(Number(event.target.value))}
            />
            {second!.side}
          </label>
        )}
        {second && !aligning && (
          <Button type={alignment ? 'default' : 'primary'} onClick={() => setAligning({})}>
            {alignment ? 'One hole more' : `Lay the ${second.side} on the ${first!.side}`}
          </Button>
        )}
        {camera}
      </header>
      <BoardPlane
        view={view}
        high={high}
        picked={picked}
        shown={alone ? [] : aligning ? trace.board.holes.map(({ lies }) => lies) : shown}
        marked={!aligning}
        label={`Board, ${boardSides.find((side) => side === (alone ? second : first)?.side) ?? 'no photograph'}`}
        onPoint={point}
      >
        {first && !alone && <Photograph address={photoAddress(first.photo)} side={first.side} />}
        {second && alone && <Photograph address={photoAddress(second.photo)} side={second.side} />}
        {second && alignment && !aligning && through > 0 && over.high !== undefined && (
          <Photograph
            address={photoAddress(second.photo)}
            side={second.side}
            opacity={through / 100}
            onto={{ projection: alignment.projection, seenHigh: over.high, high }}
          />
        )}
      </BoardPlane>
      {alignment && <LaidBy alignment={alignment} />}
    </section>
  );
}
