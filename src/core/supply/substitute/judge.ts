import { Refusal } from '../../quantity';
import { type SupplyKind, supplyKinds } from '../part/kinds';
import { type SupplyPart, writePart } from '../part/readPart';
import { boardRules, flybackRules, tubeRules, yokeRules } from './assemblies';
import { capacitorRules } from './capacitors';
import {
  crystalRules,
  fanRules,
  fuseRules,
  lampRules,
  resistorRules,
  thermistorRules,
  varistorRules,
} from './passives';
import { type Place } from './place';
import { type Finding, type Rule, type SubstituteVerdict, verdicts } from './rules';
import { chipRules, diodeRules, optocouplerRules, regulatorRules, transistorRules } from './semiconductors';

const rulesOf: Readonly<Record<SupplyKind, Readonly<Record<string, Rule>>>> = {
  capacitor: capacitorRules,
  resistor: resistorRules,
  diode: diodeRules,
  transistor: transistorRules,
  regulator: regulatorRules,
  chip: chipRules,
  optocoupler: optocouplerRules,
  thermistor: thermistorRules,
  varistor: varistorRules,
  fuse: fuseRules,
  crystal: crystalRules,
  flyback: flybackRules,
  yoke: yokeRules,
  tube: tubeRules,
  lamp: lampRules,
  fan: fanRules,
  board: boardRules,
};

/** How a candidate stands in one figure. */
export interface FieldVerdict extends Finding {
  readonly field: string;
  readonly title: string;
  /** As written; undefined where it is not said. */
  readonly original: string | undefined;
  readonly candidate: string | undefined;
}

/** Whether a part may stand for another, with every reason. */
export interface Substitution {
  /** The worst of the fields; better where none is worse than fits and at least one is better. */
  readonly verdict: SubstituteVerdict;
  /** The worst first, then as the kind lists its figures. */
  readonly fields: readonly FieldVerdict[];
  /** What has to be altered, in order. */
  readonly alter: readonly string[];
}

const nowhere: Place = { roles: new Set() };
const rank = (verdict: SubstituteVerdict) => verdicts.indexOf(verdict);

/**
 * Judges a candidate against the part that sat there and against the stress the place puts on it, figure by figure.
 * What the original says and the candidate leaves out is to be watched, never taken as given.
 *
 * @throws Refusal where the two are of different kinds
 */
export function substitute(original: SupplyPart, candidate: SupplyPart, place: Place = nowhere): Substitution {
  if (original.kind !== candidate.kind)
    throw new Refusal(
      `a ${supplyKinds[candidate.kind].title} never stands for a ${supplyKinds[original.kind].title}: compare parts of one kind`,
    );
  const { figures } = supplyKinds[original.kind];
  const fields = Object.entries(figures).flatMap(([field, figure]): FieldVerdict[] => {
    const was = original.figures[field];
    const is = candidate.figures[field];
    const found = rulesOf[original.kind][field]!(was, is, { original, candidate, place, figure });
    const written = (value: typeof was) => (value === undefined ? undefined : figure.write(value));
    return found ? [{ field, title: figure.title, original: written(was), candidate: written(is), ...found }] : [];
  });
  if (fields.length === 0)
    throw new Refusal(`nothing that is said of "${writePart(original)}" can be compared: give its figures`);
  fields.sort((a, b) => rank(b.verdict) - rank(a.verdict));
  const worst = rank(fields[0]!.verdict);
  return {
    verdict:
      worst <= rank('fits')
        ? fields.some(({ verdict }) => verdict === 'better')
          ? 'better'
          : 'fits'
        : verdicts[worst]!,
    fields,
    alter: fields.flatMap(({ alter }) => alter ?? []),
  };
}
