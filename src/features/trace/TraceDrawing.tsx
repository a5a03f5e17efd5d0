'use client';

import { Button } from 'antd';
import { useEffect, useRef, useState } from 'react';
import { drawingOf, type DrawnPin, isBody, type TracedNet } from '@/core/tracing';
import { savePicture } from '@/ui';
import styles from './drawing.module.css';
import { chipMeasures, layDrawing, type LaidDrawing, type LaidPart, measures } from './layDrawing';
import { drawingText } from './drawingText';
import { valueText } from './traceModel';

/** Points of a PNG a unit of the drawing. */
const sharp = 2;

/** The traced circuit drawn: rails above, the ground below. */
export function TraceDrawing({ net }: { readonly net: TracedNet }) {
  const [laid, setLaid] = useState<LaidDrawing>();
  const [refused, setRefused] = useState<string>();
  const picture = useRef<SVGSVGElement>(null);
  useEffect(() => {
    let late = false;
    layDrawing(drawingOf(net)).then(
      (drawing) => !late && setLaid(drawing),
      () => !late && setRefused('It could not be laid out: take the last line back, or write the netlist instead.'),
    );
    return () => {
      late = true;
    };
  }, [net]);
  if (refused !== undefined)
    return (
      <p role="alert" className="bad">
        {refused}
      </p>
    );
  if (!laid) return <p className="soft">It is being laid out.</p>;
  if (laid.parts.length === 0)
    return <p className="soft">Nothing is joined yet: a drawing comes with the first beeps.</p>;
  const [width, height] = [Math.ceil(laid.width), Math.ceil(laid.height)];
  const write = (kind: 'svg' | 'png') =>
    savePicture(drawingText(picture.current!, width, height), 'traced', kind, sharp * width, sharp * height);
  return (
    <figure className={styles.drawing}>
      <svg
        ref={picture}
        viewBox={`0 0 ${laid.width} ${laid.height}`}
        style={{ maxWidth: laid.width * 1.2 }}
        role="img"
        aria-label={`Drawing of ${laid.parts.length} parts`}
        fontFamily="'Atkinson Hyperlegible Mono', monospace"
      >
        {laid.wires.map(({ node, points }, index) => (
          <polyline
            key={index}
            data-node={node}
            points={points.map(({ x, y }) => `${x},${y}`).join(' ')}
            fill="none"
            stroke="currentColor"
            strokeWidth={1.6}
          />
        ))}
        {laid.joints.map(({ x, y }, index) => (
          <circle key={index} cx={x} cy={y} r={3} fill="currentColor" />
        ))}
        {laid.parts.map((part) => (
          <g key={part.part.ref} data-ref={part.part.ref} transform={`translate(${part.at.x} ${part.at.y})`}>
            <Symbol part={part} />
            {part.pins.map((pin) => (
              <RailAt key={pin.pin} pin={pin} part={part} />
            ))}
          </g>
        ))}
      </svg>
      <figcaption>
        {(['svg', 'png'] as const).map((kind) => (
          <Button key={kind} size="small" onClick={() => void write(kind)}>
            Write {kind.toUpperCase()}
          </Button>
        ))}
      </figcaption>
    </figure>
  );
}

const line = { fill: 'none', stroke: 'currentColor', strokeWidth: 1.6 } as const;

/** A part’s symbol between its leads, with its name and value. */
function Symbol({ part }: { readonly part: LaidPart }) {
  const { width, height } = part.size;
  const { ref } = part.part;
  const value = valueText(part.part);
  if (isBody(part.part)) {
    const { lead, body } = chipMeasures;
    return (
      <>
        <rect {...line} x={lead} y={4} width={body} height={height - 8} />
        <text x={width / 2} y={height / 2 + 4} fontSize={13} fontWeight={700} textAnchor="middle" fill="currentColor">
          {ref}
        </text>
        {part.pins.map(({ pin, side }) => {
          const { x, y } = part.ends.get(pin)!;
          const edge = side === 'left' ? lead : lead + body;
          return (
            <g key={pin}>
              <line {...line} x1={x} y1={y} x2={edge} y2={y} />
              <text
                x={side === 'left' ? edge + 5 : edge - 5}
                y={y + 4}
                fontSize={11}
                textAnchor={side === 'left' ? 'start' : 'end'}
                fill="currentColor"
              >
                {pin}
              </text>
            </g>
          );
        })}
      </>
    );
  }
  const names = part.part.pins.length > 2 ? measures.axis + 22 : measures.axis + 16;
  return (
    <>
      <path {...line} d={pathOf(part)} />
      <text x={names} y={height / 2 - 3} fontSize={13} fontWeight={700} fill="currentColor">
        {ref}
      </text>
      <text x={names} y={height / 2 + 12} fontSize={12} fill="currentColor">
        {value}
      </text>
    </>
  );
}

/** The lines of a symbol of two or three pins, leads and all. */
function pathOf({ part, pins, size: { height } }: LaidPart): string {
  const x = measures.axis;
  const y = height / 2;
  const leads = (above: number, below: number) => `M ${x} 0 V ${above} M ${x} ${below} V ${height}`;
  const isAbove = (pin: string) => pins.find((one) => one.pin === pin)?.side === 'above';
  const box = `${leads(y - 16, y + 16)} M ${x - 7} ${y - 16} h 14 v 32 h -14 Z`;
  switch (part.kind) {
    case 'resistor':
      return box;
    case 'trimmer':
      return `${box} M 0 ${y} H ${x - 8} m -6 -5 l 6 5 l -6 5`;
    case 'fuse':
      return `${box} M ${x} ${y - 16} V ${y + 16}`;
    case 'capacitor':
      return `${leads(y - 4, y + 4)} M ${x - 12} ${y - 4} h 24 M ${x - 12} ${y + 4} h 24`;
    case 'coil':
      return `${leads(y - 16, y + 16)} M ${x} ${y - 16} ${'a 5 5 0 0 1 0 10.67 '.repeat(3)}`;
    case 'diode':
    case 'zener': {
      const down = isAbove('a') ? 1 : -1;
      const bend =
        part.kind === 'zener' ? `l ${-4 * down} ${-4 * down} M ${x - 9} ${y + 8 * down} l ${4 * down} ${4 * down}` : '';
      return `${leads(y - 8, y + 8)} M ${x - 9} ${y - 8 * down} h 18 L ${x} ${y + 8 * down} Z M ${x - 9} ${y + 8 * down} h 18 ${bend}`;
    }
    case 'npn':
    case 'pnp': {
      const arrow = part.kind === 'npn' ? `M ${x - 6} ${y + 17} l 6 3 l -1 -7` : `M ${x - 3} ${y - 10} l -6 2 l 3 -7`;
      return `M 0 ${y} H 12 M 12 ${y - 13} V ${y + 13} M 12 ${y - 5} L ${x} ${y - 20} V 0 M 12 ${y + 5} L ${x} ${y + 20} V ${height} ${arrow}`;
    }
    default:
      return `M 0 ${y} H 10 M 10 ${y - 14} V ${y + 14} M 15 ${y - 16} V ${y - 6} M 15 ${y + 6} V ${y + 16} M 15 ${y - 11} H ${x} V 0 M 15 ${y + 11} H ${x} V ${height}`;
  }
}

/** A rail or the ground where a pin is on it. */
function RailAt({ pin, part }: { readonly pin: DrawnPin; readonly part: LaidPart }) {
  if (pin.rail === undefined) return null;
  const { x, y } = part.ends.get(pin.pin)!;
  const [across, up] = { above: [0, -1], below: [0, 1], left: [-1, 0], right: [1, 0] }[pin.side] as [number, number];
  const ground = pin.rail === 'gnd';
  const bar = (at: number, half: number) =>
    across === 0 ? `M ${x - half} ${y - up * at} h ${2 * half}` : `M ${x - across * at} ${y - half} v ${2 * half}`;
  // Bars lie on the last units of the lead, so that nothing sticks out of the part’s own room.
  const bars = ground ? [bar(9, 9), bar(5, 6), bar(1, 3)].join(' ') : bar(1, 9);
  return (
    <>
      <path {...line} strokeWidth={ground ? 2 : 3} d={bars} />
      {!ground && (
        <text
          x={across === 0 ? x + 13 : x - across * 6}
          y={across === 0 ? y - up * 2 + (up > 0 ? 0 : 9) : y - 6}
          fontSize={12}
          fontWeight={700}
          textAnchor={across > 0 ? 'end' : 'start'}
          fill="currentColor"
        >
          {pin.rail}
        </text>
      )}
    </>
  );
}
