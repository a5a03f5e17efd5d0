'use client';

import { type PointerEvent, type ReactNode, useRef, useState } from 'react';
import { TransformComponent, TransformWrapper, useControls } from 'react-zoom-pan-pinch';
import { type Point } from '@/core/plane';
import { Key } from '@/ui';
import styles from './board.module.css';
import { type BoardPin, type BoardView } from './boardModel';

/** Units of the drawing a width of the board. */
const units = 1000;
/** Sizes of marks on the drawing, at no zoom. */
const size = { pin: 7, ring: 15, name: 17, node: 13 };
/** Names of nodes that are no rail are written from this zoom on. */
const namesFrom = 1.7;
/** A pointer that has moved so far was dragged, in pixels. */
const dragged = 6;

interface BoardPlaneProps {
  readonly view: BoardView;
  /** Height as a share of the width. */
  readonly high: number;
  /** What lies under the marks: photographs. */
  readonly children?: ReactNode;
  /** Pins that were pointed at. */
  readonly picked: readonly string[];
  /** Places that were shown of the part or hole at hand. */
  readonly shown: readonly Point[];
  /** Are the marks of the trace drawn? Not on a photograph by itself. */
  readonly marked: boolean;
  readonly label: string;
  /** @param reach what counts as near at this zoom, as a share of the width */
  onPoint(place: Point, reach: number): void;
}

/** A board to point at: zoomed and moved by wheel, fingers, keys and buttons; its pins, and what is joined. */
export function BoardPlane({ view, high, children, picked, shown, marked, label, onPoint }: BoardPlaneProps) {
  const [zoom, setZoom] = useState(1);
  const down = useRef<{ readonly x: number; readonly y: number }>(undefined);
  const up = (event: PointerEvent<HTMLDivElement>) => {
    const from = down.current;
    down.current = undefined;
    if (!from || Math.hypot(event.clientX - from.x, event.clientY - from.y) > dragged) return;
    const box = event.currentTarget.getBoundingClientRect();
    const place = { x: (event.clientX - box.left) / box.width, y: (event.clientY - box.top) / box.width };
    onPoint(place, (size.ring * 1.2) / units / zoom);
  };
  return (
    <TransformWrapper
      minScale={1}
      maxScale={12}
      doubleClick={{ disabled: true }}
      keyboard={{ disabled: false }}
      onTransform={(_, { scale }) => setZoom(scale)}
    >
      <div className={styles.plane}>
        <TransformComponent wrapperClass={styles.wrapper!} contentClass={styles.content!}>
          <div
            className={styles.board}
            style={{ aspectRatio: `1 / ${high}` }}
            role="application"
            aria-label={label}
            onPointerDown={(event) => (down.current = { x: event.clientX, y: event.clientY })}
            onPointerUp={up}
          >
            {children}
            <svg viewBox={`0 0 ${units} ${units * high}`} aria-hidden>
              {marked && <Marks view={view} zoom={zoom} picked={picked} />}
              {shown.map(({ x, y }, index) => (
                <circle key={index} className={styles.shown} cx={x * units} cy={y * units} r={size.pin / zoom} />
              ))}
            </svg>
          </div>
        </TransformComponent>
        <ZoomKeys />
      </div>
    </TransformWrapper>
  );
}

function ZoomKeys() {
  const { zoomIn, zoomOut, resetTransform } = useControls();
  return (
    <div className={styles.zoom}>
      <button type="button" aria-label="Nearer" onClick={() => void zoomIn()}>
        <Key>+</Key>
      </button>
      <button type="button" aria-label="Further" onClick={() => void zoomOut()}>
        <Key>−</Key>
      </button>
      <button type="button" aria-label="The whole board" onClick={() => void resetTransform()}>
        <Key>0</Key>
      </button>
    </div>
  );
}

interface MarksProps {
  readonly view: BoardView;
  readonly zoom: number;
  readonly picked: readonly string[];
}

/** Pins by the shape and colour of what their node is, what is joined, names, and what to beep next. */
function Marks({ view, zoom, picked }: MarksProps) {
  const named = (pin: BoardPin) =>
    pin.look === 'rail' || pin.look === 'ground' || (pin.node !== '' && zoom > namesFrom);
  const [first, second] = view.next;
  return (
    <>
      {view.wires.map(({ from, to, look }, index) => (
        <line
          key={index}
          className={styles.wire}
          data-look={look}
          x1={from.x * units}
          y1={from.y * units}
          x2={to.x * units}
          y2={to.y * units}
        />
      ))}
      {first && second && (
        <line
          className={styles.asked}
          x1={first.at.x * units}
          y1={first.at.y * units}
          x2={second.at.x * units}
          y2={second.at.y * units}
        />
      )}
      {view.names.map(({ ref, at, above }) => (
        <text
          key={ref}
          className={styles.name}
          x={at.x * units}
          y={at.y * units - (above ? (1.3 * size.name) / Math.sqrt(zoom) : 0)}
          fontSize={size.name / Math.sqrt(zoom)}
          dominantBaseline="central"
        >
          {ref}
        </text>
      ))}
      {view.pins.map((pin) => (
        <g
          key={pin.spot}
          data-spot={pin.spot}
          data-look={pin.look}
          className={styles.pin}
          transform={`translate(${pin.at.x * units} ${pin.at.y * units}) scale(${1 / zoom})`}
        >
          {(picked.includes(pin.spot) || view.next.includes(pin)) && (
            <circle className={picked.includes(pin.spot) ? styles.picked : styles.next} r={size.ring} />
          )}
          <PinShape look={pin.look} />
          {named(pin) && (
            <text className={styles.node} x={size.pin + 4} y={-size.pin} fontSize={size.node}>
              {pin.node}
            </text>
          )}
          <title>{`${pin.spot}${pin.node === '' ? '' : `, ${pin.node}`}`}</title>
        </g>
      ))}
    </>
  );
}

function PinShape({ look }: Pick<BoardPin, 'look'>) {
  const r = size.pin;
  if (look === 'ground') return <path d={`M ${-r} ${-r * 0.8} H ${r} L 0 ${r} Z`} />;
  if (look === 'rail') return <rect x={-r} y={-r} width={2 * r} height={2 * r} />;
  return <circle r={look === 'open' ? r * 0.8 : r} />;
}
