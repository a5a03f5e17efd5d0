import { kept } from '../recent';
import { type Expectation, type Standard } from '../measure';
import { anyMark, type Fault, type Sheet } from '../sheet';
import { type Check, checksOf } from './checks';
import { isLookSaid, loosely } from './loosely';
import { type Context, contextKey } from './context';
import { expect } from './expect';
import { compileSheet, type Model } from './model';
import { type Behaviour, simulate } from './simulate';
import { standardOf } from './standard';

/**
 * Behaviours and expectations of one model, worked out when first asked for and kept.
 *
 * A sheet has some tens of faults and a handful of contexts, so the store stays small.
 */
export class Predictions {
  readonly checks: ReadonlyMap<string, Check>;
  private readonly behaviours = new Map<string, (fault: Fault | undefined) => Behaviour>();
  private readonly several = new Map<string, Map<string, Behaviour>>();
  private readonly rows = new Map<Check, Map<string, ExpectationRow>>();
  private readonly alike = new Map<Check, Map<string, FaultKinds>>();
  private readonly joint = new Map<Check, Map<string, Expectation>>();
  private readonly standards = new Map<Check, Map<string, Standard>>();

  /** How many faults the sheet has. */
  readonly count: number;
  private readonly places: ReadonlyMap<Fault, number>;
  private readonly loosenessOf = this.byFault(loosenessOf);

  constructor(readonly model: Model) {
    const faults = [...model.sheet.faults.values()];
    this.count = faults.length;
    this.places = new Map(faults.map((fault, place) => [fault, place]));
    this.checks = checksOf(model.sheet);
  }

  /** What a name typed or sent may lead to. */
  get names(): { readonly sheet: Sheet; readonly checks: ReadonlyMap<string, Check> } {
    return { sheet: this.model.sheet, checks: this.checks };
  }

  /** A fault's place in the sheet. */
  placeOf(fault: Fault): number {
    return this.places.get(fault)!;
  }

  /** What the set does; `undefined` is a good set. */
  behaviour(fault: Fault | undefined, context: Context): Behaviour {
    return this.behavioursIn(context)(fault);
  }

  /** What the set does in a context, by fault. */
  private behavioursIn(context: Context): (fault: Fault | undefined) => Behaviour {
    return kept(this.behaviours, contextKey(context), () => {
      const good = simulate(this.model, [], context);
      const byFault = this.byFault((fault) => simulate(this.model, [fault], context));
      return (fault) => (fault ? byFault(fault) : good);
    });
  }

  /** What is worked out of each fault when it is first asked for: of those of the sheet by their place, of any other by itself. */
  private byFault<T extends object | string>(work: (fault: Fault) => T): (fault: Fault) => T {
    const own: (T | undefined)[] = [];
    const others = new Map<Fault, T>();
    return (fault) => {
      const place = this.places.get(fault);
      return place === undefined ? kept(others, fault, () => work(fault)) : (own[place] ??= work(fault));
    };
  }

  /** What a check gives in a context under each fault. */
  row(check: Check, context: Context): ExpectationRow {
    const ofCheck = kept(this.rows, check, () => new Map<string, ExpectationRow>());
    return kept(ofCheck, contextKey(context), () => {
      const behaves = this.behavioursIn(context);
      const good = expect(behaves(undefined), check);
      const isUntouched = this.leavesAlone(check, context, behaves);
      // Faults of which a check tells the same share one expectation, so that a probe which tells nothing is
      // known by identity, and what follows from an expectation is worked out once.
      const shared = new Map([[spelt(good), good]]);
      const sharedBy = (found: Expectation) => kept(shared, spelt(found), () => found);
      const loose = new Map<Expectation, Map<string, Expectation>>();
      const byFault = this.byFault((fault) => {
        const found = isUntouched(fault) ? good : sharedBy(expect(behaves(fault), check));
        const looseness = this.loosenessOf(fault);
        if (looseness === '') return found;
        return kept(
          kept(loose, found, () => new Map<string, Expectation>()),
          looseness,
          () => sharedBy(loosely(fault, check, this.model.sheet, found, good)),
        );
      });
      return (fault) => (fault ? byFault(fault) : good);
    });
  }

  /** Which faults let a check answer alike in a context. */
  kindsOf(check: Check, context: Context): FaultKinds {
    const ofCheck = kept(this.alike, check, () => new Map<string, FaultKinds>());
    return kept(ofCheck, contextKey(context), () => {
      const expected = this.row(check, context);
      const met = new Map<Expectation, number>();
      const kinds = Int32Array.from([...this.places.keys(), undefined], (fault) =>
        kept(met, expected(fault), () => met.size),
      );
      return { kinds, expectations: [...met.keys()] };
    });
  }

  /** What a check gives; of a fault that comes and goes, while it is there. */
  expectation(fault: Fault | undefined, check: Check, context: Context): Expectation {
    return this.row(check, context)(fault);
  }

  /** What a check gives on a set with several faults at once; none of them is a good set. */
  expectationOf(faults: readonly Fault[], check: Check, context: Context): Expectation {
    if (faults.length <= 1) return this.expectation(faults[0], check, context);
    const ofCheck = kept(this.joint, check, () => new Map<string, Expectation>());
    const key = `${contextKey(context)}@${faults.map(({ id }) => id).join('+')}`;
    return kept(ofCheck, key, () => expect(this.jointly(faults, context), check));
  }

  /** What the set does with several faults at once; none of them is a good set. */
  jointly(faults: readonly Fault[], context: Context): Behaviour {
    const inContext = kept(this.several, contextKey(context), () => new Map<string, Behaviour>());
    return kept(inContext, faults.map(({ id }) => id).join('+'), () => simulate(this.model, faults, context));
  }

  /** The limits a reading of `check` is judged by in `context`. */
  standard(check: Check, context: Context): Standard {
    const ofCheck = kept(this.standards, check, () => new Map<string, Standard>());
    return kept(ofCheck, contextKey(context), () => standardOf(this.behaviour(undefined, context), check));
  }

  /** Does a fault plainly not touch what a check reads: another part, or a net that stands as in a good set? */
  private leavesAlone(
    { id, point }: Check,
    { lifted }: Context,
    behaves: (fault: Fault | undefined) => Behaviour,
  ): (fault: Fault) => boolean {
    if (!point) return () => false;
    const { net, parts } = point;
    if (net === undefined) return (fault) => !fault.reads.has(id) && !parts.includes(fault.part) && lifted.length === 0;
    const index = this.model.netIndex.get(net)!;
    const usual = behaves(undefined).nets[index]!;
    return (fault) => {
      if (fault.reads.has(id) || parts.includes(fault.part) || fault.opens.length > 0 || fault.shorts.includes(net))
        return false;
      const now = behaves(fault).nets[index]!;
      return (
        now.ratio === usual.ratio &&
        now.peak === usual.peak &&
        now.brief === usual.brief &&
        now.rippled === usual.rippled &&
        now.shorted === usual.shorted
      );
    };
  }
}

const ofSheets = new WeakMap<Sheet, Predictions>();

/** The predictions of a sheet, made once and shared by whoever asks. */
export function predictionsOf(sheet: Sheet): Predictions {
  return kept(ofSheets, sheet, () => new Predictions(compileSheet(sheet)));
}

/** On what it depends how loosely a fault is predicted: where it may be, whether it may look like anything, and who says so; empty where it is plain. */
function loosenessOf(fault: Fault): string {
  const { mode, degreeOf, part, shows } = fault;
  if (mode === 'unlisted') return `${part} ${shows.includes(anyMark)} ${isLookSaid(fault)}`;
  return degreeOf === undefined && mode !== 'elsewhere' ? '' : `~ ${shows.includes(anyMark)}`;
}

/** Expectations of one check in one context, by fault; `undefined` is a good set. */
export type ExpectationRow = (fault: Fault | undefined) => Expectation;

/** Faults by what they let a check give in a context: those of one kind let it answer alike. */
export interface FaultKinds {
  /** The kind of each fault, in sheet order; the good set comes last. */
  readonly kinds: Int32Array;
  /** What each kind lets the check give. */
  readonly expectations: readonly Expectation[];
}

const spellings = new WeakMap<Expectation, string>();

/** An expectation in a few letters: those that say the same are spelt alike. */
const spelt = (expectation: Expectation): string => kept(spellings, expectation, () => spelling(expectation));

function spelling(expectation: Expectation): string {
  switch (expectation.kind) {
    case 'number':
      return expectation.components
        .map(({ chance, value, sigma, shape }) => `${chance}:${value}:${sigma}:${shape}`)
        .join();
    case 'choice':
      return [...expectation.chances]
        .map(([word, chance]) => `${word}:${chance}`)
        .sort()
        .join();
    case 'picture':
      return `${expectation.sure ?? ''} ${[...(expectation.called ?? [])].join()} ${[...expectation.symptoms].sort().join()}`;
  }
}
