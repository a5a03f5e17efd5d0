import { kept } from '../../recent';
import { type Fault, type Sheet } from '../../sheet';
import { fadingShare } from './fadingShare';
import { type Hypothesis } from './hypothesis';

/** The hypotheses of one fault, which every set of a sheet is weighed by. */
export interface Singles {
  /** In sheet order, each while it lasts. */
  readonly faults: readonly Fault[];
  readonly lasting: readonly Hypothesis[];
  /** Of each fault, how often it comes and goes. */
  readonly shares: Float64Array;
  /** Those that may come and go, as such, and their places among the faults. */
  readonly fading: readonly Hypothesis[];
  readonly fadingPlaces: Int32Array;
  /** Of each fault, the place of the one that it is a degree of: most are themselves. */
  readonly shownAs: Int32Array;
}

const known = new WeakMap<Sheet, Singles>();

/** The hypotheses of one fault, worked out once a sheet. */
export function singlesOf(sheet: Sheet): Singles {
  return kept(known, sheet, () => workOut([...sheet.faults.values()]));
}

function workOut(faults: readonly Fault[]): Singles {
  const places = new Map(faults.map(({ id }, place) => [id, place]));
  const shares = Float64Array.from(faults, fadingShare);
  const fadingPlaces = Int32Array.from(faults.keys()).filter((place) => shares[place]! > 0);
  return {
    faults,
    lasting: faults.map((fault) => ({ faults: [fault] })),
    shares,
    fading: Array.from(fadingPlaces, (place) => ({ faults: [faults[place]!], sometimes: true as const })),
    fadingPlaces,
    shownAs: Int32Array.from(faults, ({ id, degreeOf = id }) => places.get(degreeOf)!),
  };
}
