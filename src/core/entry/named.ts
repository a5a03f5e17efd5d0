import { type Check } from '../behaviour';
import { type BenchState } from '../log';
import { measureNames, measures, type Measure } from '../measure';
import { attempt, parseQuantity, Refusal } from '../quantity';
import { type Sheet } from '../sheet';

/** What an entry is read against. */
export interface EntryScope {
  readonly sheet: Sheet;
  readonly checks: ReadonlyMap<string, Check>;
  /** The check a bare value belongs to. */
  readonly focus?: Check | undefined;
  /** The readings so far, for what stands as before. */
  readonly bench?: Pick<BenchState, 'readings' | 'repairs'> | undefined;
}

/** Words that say how something was measured. */
const methodWords: ReadonlyMap<string, Measure> = new Map(
  measureNames.flatMap((measure) => measures[measure].words.map((word) => [word, measure] as const)),
);

/** How well a check answers to a name: by its id, an alias, its net or its only part; 0 where it does not. */
function rank(check: Check, name: string): number {
  if (check.id.toLowerCase() === name) return 3;
  if (check.aliases.some((alias) => alias.toLowerCase() === name)) return 2;
  const point = check.point;
  if (!point) return 0;
  if (point.net?.toLowerCase() === name) return 1;
  return point.parts.length === 1 && point.parts[0]!.toLowerCase() === name ? 1 : 0;
}

/**
 * The check the first words of a line name, and the words after it; undefined where they name none.
 *
 * @throws Refusal where they name several
 */
export function findNamed(words: readonly string[], scope: EntryScope): { check: Check; rest: string[] } | undefined {
  const [first = '', second = ''] = words.map((word) => word.toLowerCase());
  const leading = methodWords.get(first);
  const trailing = methodWords.get(second);
  const [name, method, used] =
    leading && second !== '' ? [second, leading, 2] : trailing ? [first, trailing, 2] : [first, undefined, 1];
  const ranked = [...scope.checks.values()]
    .map((check) => ({ check, score: rank(check, name) }))
    .filter(({ check, score }) => score > 0 && (!method || method === check.measure));
  if (ranked.length === 0) return undefined;
  const rest = words.slice(used);
  const best = Math.max(...ranked.map(({ score }) => score));
  const all = ranked.map(({ check }) => check);
  const candidates = narrow(
    method ? all : ranked.flatMap(({ check, score }) => (score === best ? [check] : [])),
    all,
    rest,
  );
  const chosen = candidates.find((check) => check === scope.focus) ?? candidates[0]!;
  if (candidates.length > 1 && chosen !== scope.focus) {
    throw new Refusal(
      `"${words[0]}" could be ${candidates.map((check) => `${check.title} ("${nameOf(check)}")`).join(' or ')}: say which`,
    );
  }
  return { check: chosen, rest };
}

/** What a check is called by in a line. */
export const nameOf = ({ aliases, id }: Pick<Check, 'aliases' | 'id'>): string => aliases[0] ?? id;

/** Prefers, among checks of one name, those that read in the unit that was written. */
function narrow(best: readonly Check[], all: readonly Check[], rest: readonly string[]): readonly Check[] {
  const written = attempt(() => parseQuantity(rest.filter((word) => word.toLowerCase() !== 'brief').join(' ')));
  if (written instanceof Refusal || written.unit === undefined) return best;
  const fitting = best.filter((check) => check.unit === written.unit);
  if (fitting.length > 0) return fitting;
  const others = all.filter((check) => check.unit === written.unit);
  return others.length > 0 ? others : best;
}

/** Says that there is no such point, and what is near it. */
export function unknownPoint(words: readonly string[], { checks, sheet }: EntryScope): Refusal {
  const name = words[0]!.toLowerCase();
  const near = [...checks.values()]
    .map(nameOf)
    .filter((alias) => alias.toLowerCase().startsWith(name.slice(0, 2)))
    .slice(0, 4);
  const hint = near.length > 0 ? `; near it: ${near.join(', ')}` : '';
  return new Refusal(`${sheet.title} has no point "${words[0]}"${hint}`);
}
