'use client';

import { type ReadingRow } from '@/core/job';
import { useMemo } from 'react';
import { type Case, type Suspect } from '@/core/diagnosis';
import { type Side } from '@/core/sheet';
import { markColours, markNames, MarkShape } from '@/ui';
import { beadsOf, blockMarks } from './beads';
import { type Line, wirePath } from './line';
import styles from './line.module.css';

const sideNames: Readonly<Record<Side, string>> = {
  hot: 'hot side',
  cold: 'cold side',
  floating: 'floats',
  both: 'hot and cold',
};

interface LineMapProps {
  readonly line: Line;
  readonly job: Case;
  readonly rows: readonly ReadingRow[];
  readonly suspects: readonly Pick<Suspect, 'fault' | 'probability' | 'cured'>[];
  /** The net or block the focused probe is on. */
  readonly focusNet: string | undefined;
  readonly onPick: (net: string) => void;
}

/** Suspicion a block must reach to be marked. */
const marked = 0.15;

/** The line from the plug to the picture: blocks, wires, and a bead wherever the meter can be or has been. */
export function LineMap({ line, job, rows, suspects, focusNet, onPick }: LineMapProps) {
  const { sheet } = job.predictions.model;
  const beads = useMemo(() => beadsOf(line, job, rows), [line, job, rows]);
  const marks = useMemo(() => blockMarks(line, job, rows), [line, job, rows]);
  const suspicion = useMemo(() => {
    const sums = new Map<string, number>();
    for (const { fault, probability, cured } of suspects) {
      if (cured) continue;
      const { block } = sheet.parts.get(fault.part)!;
      sums.set(block, (sums.get(block) ?? 0) + probability);
    }
    return sums;
  }, [suspects, sheet]);
  const markOfNet = new Map(beads.map((bead) => [bead.net, bead.mark]));

  return (
    <svg
      className={styles.line}
      viewBox={`0 -8 ${line.width} ${line.height + 16}`}
      role="img"
      aria-label="The line from the plug to the picture"
      preserveAspectRatio="xMidYMid meet"
    >
      {line.barrier !== undefined && (
        <g className={styles.barrier}>
          <path d={`M${line.barrier} -8V${line.height + 8}`} />
          <text x={line.barrier - 5} y="3" textAnchor="end">
            hot side
          </text>
          <text x={line.barrier + 5} y="3">
            cold side
          </text>
        </g>
      )}
      {line.wires.map((wire, index) => (
        <path
          key={`${wire.net}-${index}`}
          d={wirePath(wire)}
          className={styles.wire}
          data-mark={markOfNet.get(wire.net) ?? 'unread'}
          data-focus={wire.net === focusNet || undefined}
        />
      ))}
      {line.blocks.map((block) => {
        const share = suspicion.get(block.id) ?? 0;
        const mark = marks.get(block.id);
        const { side } = sheet.blocks.get(block.id)!;
        if (block.id === line.plug) {
          return (
            <g key={block.id} transform={`translate(${block.x} ${block.y})`}>
              <title>{sheet.blocks.get(block.id)!.title}</title>
              <circle cx="12" cy="12" r="11" className={styles.block} data-suspect={share >= marked || undefined} />
              <path d="M8.5 8v8M15.5 8v8" stroke="var(--ink)" strokeWidth="2" />
            </g>
          );
        }
        return (
          <g key={block.id} transform={`translate(${block.x} ${block.y})`}>
            <title>{`${sheet.blocks.get(block.id)!.title} · ${sideNames[side]}${share >= 0.01 ? ` · suspected with ${Math.round(share * 100)} %` : ''}`}</title>
            <rect
              width={block.width}
              height={block.height}
              rx="6"
              className={styles.block}
              data-suspect={share >= marked || undefined}
            />
            {share >= 0.02 && (
              <rect
                x="3"
                y={block.height - 5}
                width={Math.max(3, (block.width - 6) * share)}
                height="2.6"
                rx="1.3"
                fill="var(--copper)"
              />
            )}
            <text x={block.width / 2} y={block.height / 2 + 4} textAnchor="middle" className={styles.title}>
              {block.title}
            </text>
            {mark !== undefined && mark !== 'unread' && (
              <g transform={`translate(${block.width - 9} -6)`}>
                <circle cx="7" cy="7" r="8" fill="var(--sheet)" />
                <g transform="scale(0.875)">
                  <MarkShape mark={mark} />
                </g>
              </g>
            )}
          </g>
        );
      })}
      {beads.map((bead) => (
        <g
          key={bead.net}
          transform={`translate(${bead.x} ${bead.y})`}
          className={styles.bead}
          onClick={() => onPick(bead.net)}
          data-focus={bead.net === focusNet || undefined}
          data-net={bead.net}
          data-mark={bead.mark}
        >
          <title>{`${sheet.nets.get(bead.net)!.title}: ${markNames[bead.mark]}`}</title>
          {bead.mark === 'unread' ? (
            <circle r={bead.net === focusNet ? 6 : 3.4} className={styles.unread} />
          ) : (
            <>
              <circle r="8" fill="var(--sheet)" />
              <g transform="translate(-7 -7) scale(0.875)">
                <MarkShape mark={bead.mark} />
              </g>
              <text
                y={bead.below ? 18 : -9}
                textAnchor="middle"
                className={styles.figure}
                fill={markColours[bead.mark]}
              >
                {bead.text}
              </text>
            </>
          )}
        </g>
      ))}
    </svg>
  );
}
