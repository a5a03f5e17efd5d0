import { classify, measures, type NumberClass, partStandard } from '../../measure';
import { type FaultMode, type PartKind } from '../../parts';
import { formatQuantity } from '../../quantity';
import { type Random } from '../../statistics';
import { answerFrom } from '../answering';
import { type Drill, drillOf, oneOf } from './drill';

/** What is asked of a part measured by itself, and what each class of reading says of it. */
interface Verdicts {
  readonly measure: 'diode' | 'rings';
  readonly kinds: readonly PartKind[];
  readonly modes: readonly (FaultMode | undefined)[];
  readonly says: Readonly<Partial<Record<NumberClass, string>>>;
  readonly digits: number;
  ask(read: string, kind: PartKind): string;
  why(limits: { readonly lowBelow: number; readonly highAbove: number }): string;
}

const volts = (value: number) => formatQuantity(value, 'V', 2);

const junction: Verdicts = {
  measure: 'diode',
  kinds: ['diode', 'bridge', 'transistor', 'zener'],
  modes: [undefined, 'short', 'open', 'leaky'],
  says: { dead: 'Shorted', low: 'Leaky: replace it', within: 'A good junction', high: 'Open', open: 'Open' },
  digits: 2,
  ask: (read, kind) => `Lifted out, a junction of a ${kind} reads ${read} forward. What is it?`,
  why: ({ lowBelow, highAbove }) =>
    `A good one drops ${volts(lowBelow)} to ${volts(highAbove)}; a short drops nothing, an open one reads OL.`,
};

const ring: Verdicts = {
  measure: 'rings',
  kinds: ['flyback', 'yoke', 'coil'],
  modes: [undefined, 'short'],
  says: { dead: 'A shorted turn next to the probes', low: 'Shorted turns', within: 'A good winding', high: 'Open' },
  digits: 2,
  ask: (read, kind) => `Its wires off, a winding of a ${kind} rings ${Math.round(Number(read))} times. What is it?`,
  why: ({ lowBelow }) =>
    `A good one rings ${Math.ceil(lowBelow)} times or more; a shorted turn takes the energy out of every ring.`,
};

/** How loosely a meter reads, as a share. */
const noise = 0.05;

function verdictDrill({ measure, kinds, modes, says, digits, ask, why }: Verdicts, random: Random): Drill | undefined {
  const kind = oneOf(kinds, random);
  const way = measures[measure];
  const standard = partStandard(measure, { kind });
  if (way.kind !== 'number' || !way.ofPart || !standard) return undefined;
  const answer = answerFrom(way.ofPart({ kind }, oneOf(modes, random)), noise, random);
  if (answer.kind !== 'number') return undefined;
  const value = Number.isFinite(answer.value) ? Number(answer.value.toPrecision(digits)) : answer.value;
  const right = says[classify(standard, value, answer.shape)];
  if (right === undefined) return undefined;
  const nearest = Math.min(
    ...[standard.deadBelow, standard.lowBelow, standard.highAbove].map((limit) => Math.abs(Math.log(value / limit))),
  );
  return drillOf(
    {
      skill: 'instruments',
      ask: ask(formatQuantity(value, way.unit, digits), kind),
      why: why(standard),
      // Near a limit one has to know it.
      difficulty: 1.2 - 1.6 * Math.min(1.5, nearest),
    },
    right,
    Object.values(says),
    random,
  );
}

/** A junction’s drop → what it is. */
export const junctionDrill = (random: Random): Drill | undefined => verdictDrill(junction, random);

/** A winding’s rings → what it is. */
export const ringDrill = (random: Random): Drill | undefined => verdictDrill(ring, random);
