import 'server-only';
import { checksOf } from '@/core/behaviour';
import { replay } from '@/core/reading';
import { type Sheet } from '@/core/sheet';
import { loadJob } from '@/features/job/load';
import { shippedStages } from '@/sheets/stages';
import { type BlockInside, insideBlock } from './blockStage';
import { type Stage } from './StageDesk';

export function loadStages(): Stage[] {
  return shippedStages();
}

/** The netlists that blocks of a sheet name, by name. */
export function netlistsOf(sheet: Sheet): Readonly<Record<string, string>> {
  const named = new Set([...sheet.blocks.values()].flatMap(({ stage }) => (stage ? [stage.netlist] : [])));
  return Object.fromEntries(shippedStages().flatMap(({ id, text }) => (named.has(id) ? [[id, text]] : [])));
}

/** What is inside a block of a job’s set; undefined where there is no such job, or nothing known inside. */
export async function loadInside(job: string, block: string): Promise<BlockInside | undefined> {
  const file = await loadJob(job);
  if (!file) return undefined;
  const { sheet, entries } = file;
  return insideBlock(sheet, block, checksOf(sheet), replay(entries, [...sheet.stores.keys()]), netlistsOf(sheet));
}
