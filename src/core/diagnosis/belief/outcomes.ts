import { kept } from '../../recent';
import { bitsOf, joined, sum, sumOf } from '../../statistics';
import { type Expectation, type NumberClass, type NumberStandard, type Standard } from '../../measure';
import { type Check, type Context, contextKey, type Predictions } from '../../behaviour';
import { likeness, type Symptom, symptomTitles } from '../../picture';
import { type Fault } from '../../sheet';
import { usualOutlierChance, toScale } from './likelihood';

/** A class of answers to a check, with its chance under each kind of set. */
export interface Outcome {
  readonly name: string;
  readonly chances: Float64Array;
}

/** Standard normal distribution function, Abramowitz and Stegun 7.1.26 (error under 1.5e-7). */
function normal(z: number): number {
  const x = Math.abs(z) / Math.SQRT2;
  const t = 1 / (1 + 0.3275911 * x);
  const tail =
    t *
    (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429)))) *
    Math.exp(-x * x);
  return z >= 0 ? 1 - 0.5 * tail : 0.5 * tail;
}

const numberClasses: readonly NumberClass[] = ['dead', 'low', 'within', 'high', 'open', 'brief'];

/** The bounds of a class on the scale of the standard; readings below zero fall in the first. */
function bounds(standard: NumberStandard, name: NumberClass): [number, number] | undefined {
  const at = (value: number) => toScale(value, standard.scale);
  const top = standard.scale === 'log' ? 7 : 2;
  const capped = (value: number) => (standard.highAbove === Infinity ? Infinity : value);
  switch (name) {
    case 'dead':
      return standard.deadBelow > 0 ? [-Infinity, at(standard.deadBelow)] : undefined;
    case 'low':
      return standard.lowBelow > standard.deadBelow
        ? [standard.deadBelow > 0 ? at(standard.deadBelow) : -Infinity, at(standard.lowBelow)]
        : undefined;
    case 'within':
      return [
        standard.lowBelow > 0 ? at(standard.lowBelow) : -Infinity,
        standard.highAbove === Infinity ? Infinity : at(standard.highAbove),
      ];
    case 'high':
      return standard.highAbove === Infinity
        ? undefined
        : [at(standard.highAbove), openEnds(standard) ? capped(top) : Infinity];
    case 'open':
      return openEnds(standard) && standard.highAbove !== Infinity ? [top, Infinity] : undefined;
    default:
      return undefined;
  }
}

/** Only resistances and junctions can read open. */
function openEnds(standard: NumberStandard): boolean {
  return standard.scale === 'log' ? standard.highAbove < 1e7 : standard.highAbove < 2;
}

function numberChances(standard: NumberStandard, expectation: Expectation): Map<string, number> {
  const chances = new Map<string, number>();
  if (expectation.kind !== 'number') return chances;
  const sign = standard.nominal < 0 ? -1 : 1;
  for (const name of numberClasses) {
    let chance = 0;
    const range = bounds(standard, name);
    for (const component of expectation.components) {
      if (component.shape === 'brief') {
        if (name === 'brief') chance += component.chance;
        continue;
      }
      if (!range) continue;
      const mean = toScale(sign * component.value, standard.scale);
      chance +=
        component.chance * (normal((range[1] - mean) / component.sigma) - normal((range[0] - mean) / component.sigma));
    }
    if (chance > 0) chances.set(name, chance);
  }
  return chances;
}

const known = new WeakMap<Expectation, ReadonlyMap<string, number>>();

/** Chances of the classes of an expectation; they sum to one. Predictions keep their expectations, so this keeps what it worked out. */
function chancesOf(standard: Standard, expectation: Expectation): ReadonlyMap<string, number> {
  let chances = known.get(expectation);
  if (!chances) {
    const raw =
      standard.kind === 'number'
        ? numberChances(standard, expectation)
        : expectation.kind === 'choice'
          ? expectation.chances
          : new Map<string, number>();
    let sum = 0;
    for (const chance of raw.values()) sum += chance;
    chances = new Map([...raw].map(([name, chance]) => [name, chance / (sum || 1)]));
    known.set(expectation, chances);
  }
  return chances;
}

const pictureName = (shown: ReadonlySet<Symptom>) =>
  [...shown]
    .sort()
    .map((symptom) => symptomTitles[symptom])
    .join(', ');

/** The answers a check can give in a context, and their chances under every single fault. */
interface OutcomeTable extends Classes {
  /** The kind of each fault, in sheet order; the good set comes last. Faults of one kind let the check answer alike. */
  readonly kinds: Int32Array;
  /** By outcome and kind. */
  readonly rows: readonly Float64Array[];
  /** How uncertain the outcome is under each kind, in bits. */
  readonly doubt: Float64Array;
}

const tables = new WeakMap<Predictions, Map<Check, Map<string, OutcomeTable>>>();

function tableOf(predictions: Predictions, check: Check, context: Context): OutcomeTable {
  const ofChecks = kept(tables, predictions, () => new Map<Check, Map<string, OutcomeTable>>());
  const ofCheck = kept(ofChecks, check, () => new Map<string, OutcomeTable>());
  return kept(ofCheck, contextKey(context), () => makeTable(predictions, check, context));
}

function makeTable(predictions: Predictions, check: Check, context: Context): OutcomeTable {
  const { kinds, expectations } = predictions.kindsOf(check, context);
  const classes = classesOf(predictions.standard(check, context), expectations);
  return { ...classes, kinds, ...byKind(classes, expectations) };
}

/** Chances of the outcomes by kind, and how uncertain they are under each, in bits. */
function byKind({ names, chancesFor }: Classes, kinds: readonly Expectation[]): Pick<OutcomeTable, 'rows' | 'doubt'> {
  const chances = kinds.map(chancesFor);
  return {
    rows: names.map((_, outcome) => Float64Array.from(chances, (ofKind) => ofKind[outcome]!)),
    doubt: Float64Array.from(chances, (ofKind) => sumOf(ofKind, bitsOf)),
  };
}

/** What classes of answers there are. */
interface Classes {
  readonly names: readonly string[];
  /** Chances of the outcomes for an expectation. */
  chancesFor(expectation: Expectation): readonly number[];
}

/** The classes of answers that some expectations of a check give. */
export const classesOf = (standard: Standard, expectations: readonly Expectation[]): Classes =>
  standard.kind === 'picture' ? pictureClasses(expectations) : answerClasses(standard, expectations);

/** Each picture some fault shows is an outcome; likeness says how readily one is named for another. */
function pictureClasses(expectations: readonly Expectation[]): Classes {
  const shown = (expectation: Expectation) =>
    expectation.kind === 'picture' ? expectation.symptoms : new Set<Symptom>();
  const kinds = new Map(expectations.map((one) => [pictureName(shown(one)), shown(one)]));
  return {
    names: [...kinds.keys()],
    chancesFor: (expectation) => {
      const any = expectation.kind === 'picture' && expectation.sure === 0;
      const alike = [...kinds.values()].map((kind) =>
        any ? (kind.has('normal') ? 0.01 : 1) : likeness(kind, shown(expectation)) ** 4 + 0.01,
      );
      const all = sum(alike);
      return alike.map((one) => one / all);
    },
  };
}

function answerClasses(standard: Standard, expectations: readonly Expectation[]): Classes {
  const names = [...new Set(expectations.flatMap((one) => [...chancesOf(standard, one).keys()]))];
  return {
    names,
    chancesFor: (expectation) => {
      const chances = chancesOf(standard, expectation);
      const told = sumOf(names, (name) => chances.get(name) ?? 0);
      return names.map((name) =>
        told > 0
          ? ((1 - usualOutlierChance) * (chances.get(name) ?? 0)) / told + usualOutlierChance / names.length
          : 1 / names.length,
      );
    },
  };
}

const knownPlaces = new WeakMap<
  readonly (readonly Fault[])[],
  { readonly places: Int32Array; readonly joint: boolean }
>();

/** The places of sets of faults in the tables, by the first of each, and whether any has several; kept, for every test asks. */
function placesOf(predictions: Predictions, sets: readonly (readonly Fault[])[]) {
  let known = knownPlaces.get(sets);
  if (!known) {
    known = {
      places: Int32Array.from(sets, ([fault]) => (fault ? predictions.placeOf(fault) : predictions.count)),
      joint: sets.some((faults) => faults.length > 1),
    };
    knownPlaces.set(sets, known);
  }
  return known;
}

/** The classes of answers a check can give, and how sets of faults differ in them. */
export interface Outcomes {
  /** The kind of each set: sets of one kind let the check answer alike. */
  readonly kinds: Int32Array;
  readonly outcomes: readonly Outcome[];
  /** How uncertain the answer is under each kind, in bits. */
  readonly doubt: Float64Array;
}

/**
 * The classes of answers a check can give in a context, with their chances under sets of faults.
 *
 * Numbers fall into the classes the bench names (dead, low, within, high, open, brief), so that a
 * plan can be said in words; an outlier may land in any class. Chances under single faults are
 * worked out once and kept.
 *
 * @param sets faults present together; an empty list is a good set
 */
export function outcomesOf(
  predictions: Predictions,
  check: Check,
  context: Context,
  sets: readonly (readonly Fault[])[],
): Outcomes {
  const table = tableOf(predictions, check, context);
  const { places, joint } = placesOf(predictions, sets);
  const kinds = new Int32Array(sets.length);
  for (let set = 0; set < sets.length; set += 1) kinds[set] = table.kinds[places[set]!]!;
  if (!joint) return { kinds, outcomes: named(table), doubt: table.doubt };

  const several = new Map<Expectation, number>();
  const single = table.doubt.length;
  sets.forEach((faults, set) => {
    if (faults.length <= 1) return;
    const expectation = predictions.expectationOf(faults, check, context);
    kinds[set] = single + kept(several, expectation, () => several.size);
  });
  const beside = byKind(table, [...several.keys()]);
  return {
    kinds,
    outcomes: named({
      names: table.names,
      rows: table.rows.map((row, outcome) => joined(row, beside.rows[outcome]!)),
    }),
    doubt: joined(table.doubt, beside.doubt),
  };
}

const named = ({ names, rows }: Pick<OutcomeTable, 'names' | 'rows'>): Outcome[] =>
  names.map((name, outcome) => ({ name, chances: rows[outcome]! }));
