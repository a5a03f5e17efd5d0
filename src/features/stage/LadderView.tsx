'use client';

import { memo, useMemo } from 'react';
import { type Ladder } from '@/core/circuit';
import { formatQuantity } from '@/core/quantity';
import { markColours, MarkShape } from '@/ui';
import { type LadderLayout, layoutLadder, scaleFor, size } from './ladderLayout';
import styles from './stage.module.css';

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

/** Height is volts: rungs where the nodes should stand, the parts between them, and what was measured. */
export function LadderView({ ladder, measured, predicted, suspect, onPart }: LadderViewProps) {
  const { low, high } = scaleFor(ladder, measured, predicted);
  const layout = useMemo(() => layoutLadder(ladder, measured, { low, high }), [ladder, measured, low, high]);
  return (
    <svg
      className={styles.ladder}
      viewBox={`0 0 ${size.width} ${size.height}`}
      role="img"
      aria-label="Potential ladder"
    >
      <Still ladder={ladder} layout={layout} suspect={suspect} onPart={onPart} />
      {predicted && <Foreseen layout={layout} predicted={predicted} />}
    </svg>
  );
}

interface StillProps extends Pick<LadderViewProps, 'ladder' | 'suspect' | 'onPart'> {
  readonly layout: LadderLayout;
}

/** What stands still while a value is turned. */
const Still = memo(function Still({ ladder: { sections }, layout, suspect, onPart }: StillProps) {
  const { ticks, hanging, named, pitch, x, y } = layout;
  return (
    <>
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
      {named.map(({ rung: { node, volts }, right, level, read, text, label, mark }) => {
        return (
          <g key={node} className={styles.node} data-node={node} data-mark={mark}>
            <title>{`${node}: should be ${formatQuantity(volts, 'V', 3)}`}</title>
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
    </>
  );
});

/** Where the nodes would stand with a fault, or with values turned. */
function Foreseen({ layout, predicted }: { layout: LadderLayout; predicted: ReadonlyMap<string, number> }) {
  return layout.named.map(({ rung: { node }, left, right, level }) => {
    const volts = predicted.get(node);
    if (volts === undefined || Math.abs(layout.y(volts) - level) <= 2) return null;
    const at = layout.y(volts);
    return (
      <path
        key={node}
        className={styles.foreseen}
        data-foreseen={node}
        data-volts={volts.toPrecision(4)}
        d={`M${left} ${at}H${right}M${(left + right) / 2} ${level}V${at}`}
      />
    );
  });
}

/** A heading cut to the letters there is room for. */
const shortened = (title: string, letters: number) =>
  title.length <= letters ? title : letters < 4 ? '' : `${title.slice(0, Math.floor(letters) - 1)}…`;
