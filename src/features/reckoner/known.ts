import { type Unit } from '@/core/quantity';
import { type Case } from '@/core/diagnosis';

/** Something the sheet or the readings of a job have figures for: a store, a part or a point. */
export interface Known {
  readonly name: string;
  readonly title: string;
  readonly values: Readonly<Partial<Record<Unit, number>>>;
}

/** All a job has figures for. A store holds its working volts; a part is rated for those of its value; a point reads its latest. */
export function knownOf({ predictions, bench }: Pick<Case, 'predictions' | 'bench'>): Known[] {
  const { sheet } = predictions.model;
  const known = new Map<string, Known>();
  const add = (name: string, title: string, values: Known['values']) => {
    if (Object.keys(values).length > 0) known.set(name, { name, title, values });
  };
  for (const { id, title, farads, volts } of sheet.stores.values()) add(id, title, { F: farads, V: volts });
  for (const { id, title, kind, size, voltage } of sheet.parts.values()) {
    const unit = ['electrolytic', 'ceramic', 'film'].includes(kind) ? 'F' : 'Ω';
    add(id, title, {
      ...(size === undefined ? {} : { [unit]: size }),
      ...(voltage === undefined ? {} : { V: voltage }),
      ...known.get(id)?.values,
    });
  }
  for (const { check, answer } of bench.readings) {
    const read = predictions.checks.get(check);
    if (!read || read.unit === '' || answer.kind !== 'number' || !Number.isFinite(answer.value)) continue;
    for (const name of read.aliases.length > 0 ? read.aliases : [read.id])
      if (!sheet.parts.has(name)) add(name, read.title, { ...known.get(name)?.values, [read.unit]: answer.value });
  }
  return [...known.values()];
}
