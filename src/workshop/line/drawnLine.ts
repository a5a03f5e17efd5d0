import { type Case, type Suspect } from '@/core/diagnosis';
import { type ReadingRow } from '@/core/job';
import { type Side } from '@/core/sheet';
import { type MarkName, markNames } from '@/ui';
import { beadsOf, blockMarks } from './beads';
import { type Bead, type Line, type LineBlock } from './line';

const sideNames: Readonly<Record<Side, string>> = {
  hot: 'hot side',
  cold: 'cold side',
  floating: 'floats',
  both: 'hot and cold',
};

/** Suspicion is said in words from this chance. */
const worthSaying = 0.01;

/** A line with all that is known of it, plain enough to be sent to the browser. */
export interface DrawnLine extends Omit<Line, 'blocks'> {
  readonly blocks: readonly (LineBlock & {
    /** What is said of it where it is pointed at. */
    readonly tip: string;
    readonly mark: MarkName | undefined;
    /** How far it is suspected, from 0 to 1. */
    readonly share: number;
  })[];
  readonly beads: readonly (Bead & { readonly tip: string })[];
}

/** The line of a job with what was read on it, and how far each block is suspected. */
export function drawnLine(
  line: Line,
  job: Case,
  rows: readonly ReadingRow[],
  suspects: readonly Pick<Suspect, 'fault' | 'probability' | 'cured'>[],
): DrawnLine {
  const { sheet } = job.predictions.model;
  const marks = blockMarks(line, job, rows);
  const shares = new Map<string, number>();
  for (const { fault, probability, cured } of suspects) {
    if (cured) continue;
    const { block } = sheet.parts.get(fault.part)!;
    shares.set(block, (shares.get(block) ?? 0) + probability);
  }
  return {
    ...line,
    blocks: line.blocks.map((block) => {
      const { title, side } = sheet.blocks.get(block.id)!;
      const share = shares.get(block.id) ?? 0;
      const suspected = share >= worthSaying ? ` · suspected with ${Math.round(share * 100)} %` : '';
      const tip = block.id === line.plug ? title : `${title} · ${sideNames[side]}${suspected}`;
      return { ...block, tip, mark: marks.get(block.id), share };
    }),
    beads: beadsOf(line, job, rows).map((bead) => ({
      ...bead,
      tip: `${sheet.nets.get(bead.net)!.title}: ${markNames[bead.mark]}`,
    })),
  };
}
