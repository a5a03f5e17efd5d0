'use client';

import { type Ladder, type Rung, standingOf } from '@/core/circuit';
import { formatQuantity } from '@/core/quantity';
import { markColours, MarkShape } from '@/ui';
import styles from './stage.module.css';

const size = { width: 880, height: 590, left: 46, right: 20, top: 30, bottom: 16 };
/** Volts around which the scale turns from even steps to even ratios. */
const bend = 3;

interface LadderViewProps {
  readonly ladder: Ladder;
  /** Measured volts by node. */
  readonly measured: ReadonlyMap<string, number>;
  /** Voltages a fault would bring, where one is shown. */
  readonly predicted: ReadonlyMap<string, number> | undefined;
  /** The part under suspicion. */
  readonly suspect: string | undefined;
  onPart(label: string): void;
}

/** A label or a line by its middle and half its size. */
interface Box {
  readonly x: number;
  readonly y: number;
  readonly half: number;
  readonly tall: number;
}

const apart = (a: Box, b: Box) => Math.abs(a.x - b.x) >= a.half + b.half || Math.abs(a.y - b.y) >= a.tall + b.tall;

/** The first of the wanted places that lies on nothing, else the last; it is taken from then on. */
function placed(taken: Box[], wanted: readonly Box[]): Box {
  const free = wanted.find((box) => taken.every((one) => apart(one, box))) ?? wanted[wanted.length - 1]!;
  taken.push(free);
  return free;
}

/** Height is volts: rungs where the nodes should stand, the parts between them, and what was measured. */
export function LadderView({ ladder, measured, predicted, suspect, onPart }: LadderViewProps) {
  const { rungs, parts, sections } = ladder;
  const all = [ladder.lowest, ladder.highest, ...measured.values(), ...(predicted?.values() ?? [])];
  const bent = (volts: number) => Math.asinh(volts / bend);
  const [low, high] = [bent(Math.min(...all)), bent(Math.max(...all))];
  const y = (volts: number) =>
    size.height - size.bottom - ((bent(volts) - low) / (high - low || 1)) * (size.height - size.top - size.bottom);
  const pitch = (size.width - size.left - size.right) / Math.max(1, parts.length);
  const x = (slot: number) => size.left + (slot + 0.5) * pitch;
  const expected = new Map(rungs.map(({ node, volts }) => [node, volts]));
  const ticks = [-200, -100, -50, -20, -10, -5, 0, 1, 2, 5, 10, 20, 50, 100, 200, 400].filter(
    (volts) => bent(volts) >= low - 0.01 && bent(volts) <= high + 0.01,
  );
  const reach = ({ from, to }: Rung) => ({ left: x(from) - pitch * 0.42, right: x(to) + pitch * 0.42 });
  const taken = rungs.map((rung): Box => {
    const { left, right } = reach(rung);
    return { x: (left + right) / 2, y: y(rung.volts), half: (right - left) / 2, tall: 1.5 };
  });
  const hanging = parts.map((part) => {
    const ends = part.nodes.map((node) => y(expected.get(node)!));
    const middle = (Math.min(...ends) + Math.max(...ends)) / 2;
    const at = { x: x(part.slot), half: 3.2 * part.label.length + 4, tall: 8 };
    const box = placed(
      taken,
      [0, 12, -12, 18, -18, 26, -26, 34].map((shift) => ({ ...at, y: middle + shift })),
    );
    return { part, ends, box };
  });
  const named = rungs.map((rung) => {
    const { node, volts } = rung;
    const { left, right } = reach(rung);
    const read = measured.get(node);
    const text = node === '0' ? 'ground' : `${node} ${formatQuantity(read ?? volts, 'V', 3).replace(' V', '')}`;
    const half = 3.1 * text.length + 2;
    const within = (at: number) => Math.min(size.width - half, Math.max(size.left + half, at));
    const level = y(volts);
    const label = placed(
      taken,
      [
        [left + half, -9],
        [left + half, 9],
        [right - half, -9],
        [right - half, 9],
        [left - half - 4, 0],
        [right + half + 4, 0],
        [left + half, -19],
        [left + half, 19],
        [left - half - 4, 12],
        [right + half + 4, 12],
      ].map(([at, shift]) => ({ x: within(at!), y: level + shift!, half, tall: 6 })),
    );
    return {
      rung,
      left,
      right,
      level,
      read,
      text,
      label,
      mark: read === undefined ? ('unread' as const) : standingOf(read, volts),
    };
  });
  return (
    <svg
      className={styles.ladder}
      viewBox={`0 0 ${size.width} ${size.height}`}
      role="img"
      aria-label="Potential ladder"
    >
      {ticks.map((volts) => (
        <g key={volts} className={styles.tick}>
          <path d={`M${size.left - 6} ${y(volts)}H${size.width - 8}`} />
          <text x={size.left - 12} y={y(volts) + 4} textAnchor="end">
            {volts}
          </text>
        </g>
      ))}
      {sections.length > 1 &&
        sections.map(({ title, from, to }) => (
          <g key={from} className={styles.section}>
            {from > 0 && <path d={`M${x(from) - pitch / 2} 4V${size.height - 4}`} />}
            <text x={(x(from) + x(to)) / 2} y="12" textAnchor="middle">
              {shortened(title, ((to - from + 1) * pitch) / 6.4)}
            </text>
          </g>
        ))}
      {named.map(({ rung: { node }, left, right, level }) => (
        <path key={node} className={styles.rung} d={`M${left} ${level}H${right}`} />
      ))}
      {hanging.map(({ part, ends, box }) => (
        <g
          key={part.label}
          className={styles.part}
          data-part={part.label}
          data-suspect={part.label === suspect || undefined}
          onClick={() => onPart(part.label)}
        >
          <path d={`M${x(part.slot)} ${Math.min(...ends, box.y)}V${Math.max(...ends, box.y)}`} />
          {ends.map((end, index) => (
            <circle key={part.nodes[index]} cx={x(part.slot)} cy={end} r="2.2" />
          ))}
          <rect x={box.x - box.half} y={box.y - 8} width={2 * box.half} height="16" rx="4" />
          <text x={box.x} y={box.y + 3.8} textAnchor="middle">
            {part.label}
          </text>
        </g>
      ))}
      {named.map(({ rung: { node, volts }, left, right, level, read, text, label, mark }) => {
        const foreseen = predicted?.get(node);
        return (
          <g
            key={node}
            className={styles.node}
            data-node={node}
            data-mark={mark}
            data-foreseen={foreseen?.toPrecision(4)}
          >
            <title>{`${node}: should be ${formatQuantity(volts, 'V', 3)}`}</title>
            {foreseen !== undefined && Math.abs(y(foreseen) - level) > 2 && (
              <path
                className={styles.foreseen}
                d={`M${left} ${y(foreseen)}H${right}M${(left + right) / 2} ${level}V${y(foreseen)}`}
              />
            )}
            {read !== undefined && (
              <>
                {Math.abs(y(read) - level) > 4 && (
                  <path className={styles.away} d={`M${right - 8} ${level}V${y(read)}`} stroke={markColours[mark]} />
                )}
                <g transform={`translate(${right - 15} ${y(read) - 7})`}>
                  <MarkShape mark={mark} />
                </g>
              </>
            )}
            <text
              x={label.x}
              y={label.y + 4}
              textAnchor="middle"
              fill={read === undefined ? 'var(--ink)' : markColours[mark]}
            >
              {text}
            </text>
          </g>
        );
      })}
    </svg>
  );
}

/** A heading cut to the letters there is room for. */
const shortened = (title: string, letters: number) =>
  title.length <= letters ? title : letters < 4 ? '' : `${title.slice(0, Math.floor(letters) - 1)}…`;
