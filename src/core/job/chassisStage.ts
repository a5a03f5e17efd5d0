import { Stage } from '../circuit';
import { type FaultMode } from '../parts';
import { attempt, formatQuantity, Refusal, type Volts } from '../quantity';
import { leftUnder, type Sheet, type SheetChange } from '../sheet';
import { type Believed, isRail, makerOf, partNamed, type Spot, type TracedNet } from '../tracing';

/** A traced board as a stage inside a block of the set. */
export interface ChassisStage {
  readonly change: Extract<SheetChange, { readonly kind: 'stage' }>;
  /** What the rail or the node stands at as it was traced. */
  readonly makes: Volts;
  /** What ways of failing of a part leave of that, as a ratio: by part, by way of failing. */
  readonly leaves: ReadonlyMap<string, Readonly<Partial<Record<FaultMode, number>>>>;
  /** Values that nobody read, and parts that are not in the circuit. */
  readonly guessed: readonly string[];
  readonly left: readonly string[];
}

/** Where a traced stage belongs on the sheet of its set. */
interface Placed {
  /** The rail it makes, as traced: `+12`; or a spot of the node it drives, `Q5.c`. */
  readonly made: Spot;
  /** The net of the sheet that this is, and the block that makes it. */
  readonly net: string;
  /** What the sheet has for that net; a rail has its volts by its name. */
  readonly volts?: Volts | undefined;
  readonly block: string;
  /** Nets of the sheet by the rails that it is fed with; a rail that is none of them stays at its own volts. */
  readonly fed: ReadonlyMap<string, string>;
}

/** A stage that makes less or more of what it should than this, as a share, was not traced to the end. */
const farthest = 0.3;

/**
 * What a rail or a node of a traced board stands at by its circuit, in volts.
 *
 * @throws Refusal where it cannot be solved
 */
export const tracedVolts = (traced: TracedNet, believed: Believed, made: Spot): Volts => {
  const { text, made: node } = makerOf(traced, believed, '', made);
  return solved(text).volts.get(node) ?? 0;
};

/** @throws Refusal */
function solved(text: string): Stage {
  const stage = attempt(() => Stage.open(text));
  if (stage instanceof Refusal) throw new Refusal(`as traced it cannot be worked out: ${stage.message}`);
  return stage;
}

/**
 * The stage that a traced board is, for the block that makes a rail or drives a node: its netlist with what it is fed as
 * parameters, solved whole and with each part broken.
 *
 * @throws Refusal where it cannot be solved, or does not come to what belongs there
 */
export function chassisStage(
  traced: TracedNet,
  believed: Believed,
  title: string,
  { made: wanted, net, block, fed, volts: known }: Placed,
): ChassisStage {
  const { text, made, fed: parameters, guesses, left } = makerOf(traced, believed, title, wanted);
  const stage = solved(text);
  const volts = isRail(wanted) ? Number(wanted) : known;
  const makes = stage.volts.get(made) ?? 0;
  if (volts !== undefined && Math.abs(makes - volts) > farthest * Math.abs(volts))
    throw new Refusal(
      `as traced it makes ${formatQuantity(makes, 'V', 3)} where ${isRail(wanted) ? wanted : volts} V belongs: ${left.length > 0 ? `${left.join(', ')} leads nowhere yet` : 'a beep, a part or a value is missing'}`,
    );
  const given = [...parameters].flatMap(([one, parameter]) => {
    const id = fed.get(one);
    return id === undefined ? [] : [[parameter, id] as const];
  });
  const elements = stage.circuit.elements.map(({ label }) => label);
  const parts = elements.flatMap((label) => {
    const ref = partNamed(label);
    return traced.parts.has(ref) ? [[label, ref] as const] : [];
  });
  return {
    change: {
      kind: 'stage',
      block,
      circuit: text,
      given: Object.fromEntries(given),
      nodes: { ...Object.fromEntries(given), [made]: net },
      parts: Object.fromEntries(parts),
    },
    makes,
    leaves: leavesOf(stage, made, traced),
    guessed: guesses.map(({ ref }) => ref),
    left,
  };
}

/** What of a node is left under each way of failing of each part. */
function leavesOf(stage: Stage, made: string, { parts }: TracedNet): ChassisStage['leaves'] {
  const dictionary = stage.dictionary();
  const at = stage.system.indexOf(made)!;
  return new Map(
    [...new Set(dictionary.entries.map(({ fault }) => partNamed(fault.ref)))].map((ref) => {
      const own = dictionary.entries.filter(({ fault }) => partNamed(fault.ref) === ref);
      const { short, ...others } = leftUnder(own, dictionary, at);
      // At rest a capacitor that is open is not missed: what it does is a matter of ripple.
      return [
        ref,
        { ...(parts.get(ref)?.kind === 'capacitor' ? {} : others), ...(short === undefined ? {} : { short }) },
      ];
    }),
  );
}

/** A short name that a sheet does not have yet: `v12`, else `v12b`. */
function freeName(name: string, taken: ReadonlyMap<string, unknown>): string {
  let free = name;
  for (let more = 'b'.charCodeAt(0); taken.has(free); more += 1) free = `${name}${String.fromCharCode(more)}`;
  return free;
}

/**
 * A block of its own for a traced stage that makes a rail, or drives a node, which its sheet does not know.
 *
 * @param made a rail as traced, `+12`, or a spot of the node, `Q5.c`
 * @param volts what it stands at
 * @param title of the block, as it is called in words
 * @param needs nets that feed it
 * @param user the block that this feeds, where that is known
 */
export function chassisBlock(
  made: Spot,
  volts: Volts,
  {
    title,
    board,
    needs,
    user,
  }: {
    readonly title: string;
    readonly board: string;
    readonly needs: readonly string[];
    readonly user: string | undefined;
  },
  { nets, blocks }: Pick<Sheet, 'nets' | 'blocks'>,
): Extract<SheetChange, { readonly kind: 'block' }> {
  const words = title
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '');
  return {
    kind: 'block',
    block: freeName(/^[a-z]/.test(words) ? words.slice(0, 24) : 'stage', blocks),
    title,
    board,
    needs: [...new Set(needs)],
    rail: freeName(
      isRail(made)
        ? `${volts < 0 ? 'n' : 'v'}${String(Math.abs(volts)).replace('.', '_')}`
        : made.toLowerCase().replace(/[^a-z0-9]+/g, ''),
      nets,
    ),
    volts,
    ...(user === undefined ? {} : { user }),
  };
}
