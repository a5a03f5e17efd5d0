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

/** What a prior gives the hypotheses of one fault. */
export interface SinglePriors {
  /** As logarithms, of each fault while it lasts and of each that may come and go. */
  readonly lasting: Float64Array;
  readonly fading: Float64Array;
  /** Of each fault with all its degrees, in sheet order. */
  readonly withDegrees: Float64Array;
}

const knownPriors = new WeakMap<ReadonlyMap<string, number>, SinglePriors>();

/** Worked out once for a prior, which belongs to the sheet of the singles. */
export function priorsOfSingles(
  { faults, shares, fadingPlaces, shownAs }: Singles,
  prior: ReadonlyMap<string, number>,
): SinglePriors {
  return kept(knownPriors, prior, () => {
    const own = Float64Array.from(faults, ({ id }) => prior.get(id)!);
    const withDegrees = new Float64Array(faults.length);
    own.forEach((chance, place) => (withDegrees[shownAs[place]!]! += chance));
    return {
      lasting: own.map((chance, place) => Math.log(chance * (1 - shares[place]!))),
      fading: Float64Array.from(fadingPlaces, (place) => Math.log(own[place]! * shares[place]!)),
      withDegrees,
    };
  });
}
