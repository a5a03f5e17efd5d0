import { markColours, MarkShape } from '@/ui';
import { type DrawnLine } from './drawnLine';
import { wirePath } from './line';
import styles from './line.module.css';

interface LineDrawingProps {
  readonly line: DrawnLine;
  /** The net or block the focused probe is on. */
  readonly focusNet: string | undefined;
  readonly onPick: (net: string) => void;
}

/** Suspicion a block must reach to be marked. */
const marked = 0.15;

/** The line from the plug to the picture: blocks, wires, and a bead wherever the meter can be or has been. */
export function LineDrawing({ line, focusNet, onPick }: LineDrawingProps) {
  const markOfNet = new Map(line.beads.map((bead) => [bead.net, bead.mark]));
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
        const { share, mark } = block;
        if (block.id === line.plug) {
          return (
            <g key={block.id} transform={`translate(${block.x} ${block.y})`}>
              <title>{block.tip}</title>
              <circle cx="12" cy="12" r="11" className={styles.block} data-suspect={share >= marked || undefined} />
              <path d="M8.5 8v8M15.5 8v8" stroke="var(--ink)" strokeWidth="2" />
            </g>
          );
        }
        return (
          <g key={block.id} transform={`translate(${block.x} ${block.y})`}>
            <title>{block.tip}</title>
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
      {line.beads.map((bead) => (
        <g
          key={bead.net}
          transform={`translate(${bead.x} ${bead.y})`}
          className={styles.bead}
          onClick={() => onPick(bead.net)}
          data-focus={bead.net === focusNet || undefined}
          data-net={bead.net}
          data-mark={bead.mark}
        >
          <title>{bead.tip}</title>
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
