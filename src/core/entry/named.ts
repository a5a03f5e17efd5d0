import { type Check } from '../behaviour';
import { type BenchState } from '../log';
import { measureNames, measures, type Measure } from '../measure';
import { attempt, parseQuantity, Refusal } from '../quantity';
import { kept } from '../recent';
import { exampleOfPart, kindOfReference, type Sheet, usualRail } from '../sheet';

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

/** A check that answers to a name, and how well: by its id, an alias, its net or its only part. */
interface Ranked {
  readonly check: Check;
  readonly score: number;
}

const namedIn = new WeakMap<EntryScope['checks'], ReadonlyMap<string, readonly Ranked[]>>();

/** By name in small letters, the checks that answer to it in their order: a line is read anew with every key. */
const byName = (checks: EntryScope['checks']): ReadonlyMap<string, readonly Ranked[]> =>
  kept(namedIn, checks, () => {
    const named = new Map<string, Ranked[]>();
    for (const check of checks.values()) {
      const { id, aliases, point } = check;
      const scores = new Map<string, number>();
      for (const part of point?.parts.length === 1 ? point.parts : []) scores.set(part.toLowerCase(), 1);
      if (point?.net !== undefined) scores.set(point.net.toLowerCase(), 1);
      for (const alias of aliases) scores.set(alias.toLowerCase(), 2);
      scores.set(id.toLowerCase(), 3);
      for (const [name, score] of scores) kept(named, name, () => []).push({ check, score });
    }
    return named;
  });

/** Checks of the block or the board of a name, where what is done there has no name of its own. */
function atPlace(name: string, { checks, sheet }: EntryScope): Ranked[] {
  return [...checks.values()]
    .filter(({ point, measure }) => {
      const way = measures[measure];
      return point && way.kind !== 'number' && way.ofPlace && isAt(point.parts, name, sheet);
    })
    .map((check) => ({ check, score: 0.5 }));
}

/** Is a good part of some parts in the block, or on the board, of that name? */
function isAt(parts: readonly string[], name: string, { parts: known, blocks, boards }: Sheet): boolean {
  const places = parts.filter((id) => {
    const part = known.get(id)!;
    const [block, board] = [blocks.get(part.block), boards.get(part.board)];
    return [block?.id, block?.short, board?.id, board?.title, ...(board?.aliases ?? [])].some(
      (one) =>
        one
          ?.toLowerCase()
          .split(/[\s_]+/)
          .includes(name) || one?.toLowerCase() === name,
    );
  });
  return 4 * places.length >= parts.length;
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
  const asMeasured = (found: readonly Ranked[]) => found.filter(({ check }) => !method || method === check.measure);
  // A place is asked for by what is done there; a name that is one's own comes before it.
  const own = asMeasured(byName(scope.checks).get(name) ?? []);
  const ranked = own.length > 0 || !method ? own : asMeasured(atPlace(name, scope));
  if (ranked.length === 0) return undefined;
  const rest = words.slice(used);
  if (own.length === 0)
    return {
      check: widest(
        ranked.map(({ check }) => check),
        rest[0] ?? '',
      ),
      rest,
    };
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

/** Of checks of one place: the one that takes in the part named, else the one that takes in most. */
function widest(checks: readonly Check[], part: string): Check {
  const parts = ({ point }: Check) => point?.parts ?? [];
  const holding = checks.filter((check) => parts(check).some((id) => id.toLowerCase() === part.toLowerCase()));
  return (holding.length > 0 ? holding : checks).reduce((best, one) =>
    parts(one).length > parts(best).length ? one : best,
  );
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
  const isNear = (one: string) => one.toLowerCase().startsWith(name.slice(0, 2));
  const near = [...checks.values()]
    .flatMap((check) => [nameOf(check), check.id, ...check.aliases].find(isNear) ?? [])
    .slice(0, 4);
  const hint = near.length > 0 ? `; near it: ${near.join(', ')}` : '';
  return new Refusal(`${sheet.title} has no point "${words[0]}"${hint}${newcomerHint(words, sheet)}`);
}

/** How a part or a rail that no sheet knows is put in, where the words read like one and what it measured. */
function newcomerHint([reference = '', ...rest]: readonly string[], sheet: Sheet): string {
  if (rest.length === 0) return '';
  if (/^[a-z]{1,3}\d+$/i.test(reference) && kindOfReference(reference, ''))
    return `. A part that no sheet knows is typed with its mark and what it reads, like "C9 100u 35V 83u" or "R9 4k7 5k1", and put in by what it does to a net, like "${exampleOfPart(reference.toUpperCase(), '', sheet)}"`;
  if (!/^[-+.\d]/.test(rest[rest.length - 1]!)) return '';
  const maker = [...sheet.blocks.values()].find(({ makes }) => makes.includes(usualRail(sheet)))?.id ?? 'supply';
  return `. A rail that no sheet knows is put in first, like "rail ${reference.toLowerCase()} 24 from ${maker}"`;
}
