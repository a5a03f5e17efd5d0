'use client';

import { type Ladder } from '@/core/circuit';
import { formatQuantity } from '@/core/quantity';
import { markColours, type MarkName, MarkShape } from '@/ui';
import styles from './stage.module.css';

const size = { width: 880, height: 590, left: 46, right: 20, top: 18, bottom: 16 };
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
}

/** How a measured node stands to its rung: a twentieth of the volts, or a tenth of a volt, is within. */
export function markOf(measured: number, expected: number): MarkName {
  if (Math.abs(measured - expected) <= Math.max(0.05 * Math.abs(expected), 0.1)) return 'within';
  return measured > expected ? 'high' : 'low';
}

interface Box {
  readonly x: number;
  readonly y: number;
  readonly half: number;
}

/** Moves a label up or down until it lies on none that stand already. */
function placed(taken: Box[], wanted: Box): Box {
  for (const shift of [0, -11, 11, -22, 22, -33, 33]) {
    const box = { ...wanted, y: wanted.y + shift };
    if (taken.some((one) => Math.abs(one.x - box.x) < one.half + box.half && Math.abs(one.y - box.y) < 11)) continue;
    taken.push(box);
    return box;
  }
  taken.push(wanted);
  return wanted;
}

/** Height is volts: rungs where the nodes should stand, the parts between them, and what was measured. */
export function LadderView({ ladder, measured, predicted, suspect }: LadderViewProps) {
  const { rungs, parts } = ladder;
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
  const taken: Box[] = [];
  const labels = parts.map((part) => {
    const ends = part.nodes.map((node) => y(expected.get(node)!));
    const half = 3.2 * part.label.length + 5;
    const middle = (Math.min(...ends) + Math.max(...ends)) / 2;
    return { part, ends, box: placed(taken, { x: x(part.slot), y: middle, half }) };
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
      {labels.map(({ part, ends, box }) => (
        <g
          key={part.label}
          className={styles.part}
          data-part={part.label}
          data-suspect={part.label === suspect || undefined}
        >
          <path d={`M${x(part.slot)} ${Math.min(...ends)}V${Math.max(...ends)}`} />
          {ends.map((end, index) => (
            <circle key={part.nodes[index]} cx={x(part.slot)} cy={end} r="2.2" />
          ))}
          <rect x={box.x - box.half} y={box.y - 8} width={2 * box.half} height="16" rx="4" />
          <text x={box.x} y={box.y + 3.8} textAnchor="middle">
            {part.label}
          </text>
        </g>
      ))}
      {rungs.map(({ node, volts, from, to }) => {
        const [left, right] = [x(from) - pitch * 0.42, x(to) + pitch * 0.42];
        const read = measured.get(node);
        const mark = read === undefined ? 'unread' : markOf(read, volts);
        const text = node === '0' ? 'ground' : `${node} ${formatQuantity(read ?? volts, 'V', 3).replace(' V', '')}`;
        const half = 3.3 * text.length + 3;
        const label = placed(taken, {
          x: Math.min(size.width - half, Math.max(size.left + half, left + half)),
          y: y(volts) - 8,
          half,
        });
        const foreseen = predicted?.get(node);
        return (
          <g key={node} className={styles.rung} data-node={node} data-mark={mark}>
            <title>{`${node}: should be ${formatQuantity(volts, 'V', 3)}`}</title>
            <path d={`M${left} ${y(volts)}H${right}`} />
            {foreseen !== undefined && Math.abs(y(foreseen) - y(volts)) > 2 && (
              <path
                className={styles.foreseen}
                d={`M${left} ${y(foreseen)}H${right}M${(left + right) / 2} ${y(volts)}V${y(foreseen)}`}
              />
            )}
            {read !== undefined && (
              <>
                {Math.abs(y(read) - y(volts)) > 4 && (
                  <path className={styles.away} d={`M${right - 8} ${y(volts)}V${y(read)}`} stroke={markColours[mark]} />
                )}
                <g transform={`translate(${right - 15} ${y(read) - 7})`}>
                  <MarkShape mark={mark} />
                </g>
              </>
            )}
            <text
              x={label.x}
              y={label.y + 3.5}
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
