import { measureNames, measures } from '../measure';
import { type Problem } from './problem';
import { makers } from './needOrder';
import { type Place } from './place';
import { type Protection } from './sections/protection';
import { type Sheet } from './sheet';

/** Words that begin a line of the bench: ways of measuring, and what every set has. */
const reserved = new Set([...measureNames.flatMap((name) => measures[name].words), 'picture', 'pic', 'blinks', 'code']);

/** What else a name in small letters stands for at the bench; undefined where it is the point's own. */
function takenBy({ signs, points }: Sheet, name: string, own: string): string | undefined {
  if (reserved.has(name)) return 'a word of the bench';
  if ([...signs.keys()].some((id) => id.toLowerCase() === name)) return 'a sign';
  const other = [...points.values()].find(
    ({ id, aliases }) => id !== own && (id.toLowerCase() === name || aliases.some((one) => one.toLowerCase() === name)),
  );
  return other && `one of point "${other.id}"`;
}

/** The earlier guard that sees all a guard watches, and acts no later. */
const actingBefore = (guard: Protection, earlier: readonly Protection[]): Protection | undefined =>
  earlier.find(
    ({ watches, after }) =>
      after <= guard.after &&
      [...guard.watches].every(([net, wrong]) => wrong.every((level) => watches.get(net)?.includes(level))),
  );

const sheetStart: Place = { line: 1, column: 1 };

/**
 * What is usable but likely not meant: nets nobody makes or uses, boards no connector reaches,
 * parts without a fault, faults that change nothing, rails without a point, codes that another protection forestalls.
 *
 * Faults that no test tells apart are found by `diagnosis/groups`, which needs the behaviour.
 */
export function lintSheet(sheet: Sheet): Problem[] {
  const warnings: Problem[] = [];
  const warn = (place: Place, message: string) => warnings.push({ ...place, message });
  const made = makers(sheet);
  const needed = new Set([...sheet.blocks.values()].flatMap((block) => block.needs));
  const shown = new Set([...sheet.picture.values()].flat());
  const heard = new Set([...sheet.signs.values()].flatMap((sign) => sign.follows ?? []));
  const measured = new Set([...sheet.points.values()].flatMap((point) => point.net ?? []));

  for (const net of sheet.nets.values()) {
    if (!made.has(net.id)) warn(net.place, `no block makes net "${net.id}", so it is always dead`);
    if (!needed.has(net.id) && !shown.has(net.id) && !heard.has(net.id) && !measured.has(net.id))
      warn(net.place, `nothing needs, shows or measures net "${net.id}"`);
    if (net.kind === 'rail' && !measured.has(net.id)) warn(net.place, `rail "${net.id}" has no point to measure it at`);
  }
  const faulty = new Set([...sheet.faults.values()].map((fault) => fault.part));
  for (const part of sheet.parts.values()) {
    if (!faulty.has(part.id)) warn(sheet.blocks.get(part.block)?.place ?? sheetStart, `part "${part.id}" has no fault`);
  }
  for (const fault of sheet.faults.values()) {
    const effects =
      fault.sets.size +
      fault.shorts.length +
      fault.ripples.length +
      fault.opens.length +
      fault.signs.size +
      fault.shows.length +
      fault.reads.size;
    if (effects === 0) warn(fault.place, `fault "${fault.id}" changes nothing`);
    if (fault.weight === 0) warn(fault.place, `fault "${fault.id}" has no weight, so it is never suspected`);
  }
  sheet.protections.forEach((guard, index) => {
    const first = guard.blinks === undefined ? undefined : actingBefore(guard, sheet.protections.slice(0, index));
    if (first) warn(guard.place, `code ${guard.blinks} can never show: "${first.id}" acts first on all it watches`);
  });
  for (const point of sheet.points.values())
    for (const alias of point.aliases) {
      const other = takenBy(sheet, alias.toLowerCase(), point.id);
      if (other !== undefined)
        warn(point.place, `alias "${alias}" of point "${point.id}" is ${other} as well: rename it`);
    }
  return warnings.sort((a, b) => a.line - b.line || a.column - b.column);
}
