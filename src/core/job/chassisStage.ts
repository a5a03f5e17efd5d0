import { Stage } from '../circuit';
import { type FaultMode } from '../parts';
import { attempt, formatQuantity, Refusal, type Volts } from '../quantity';
import { leftUnder, type Sheet, type SheetChange } from '../sheet';
import { type Believed, makerOf, partNamed, type TracedNet } from '../tracing';

/** A traced board as a stage inside a block of the set. */
export interface ChassisStage {
  readonly change: Extract<SheetChange, { readonly kind: 'stage' }>;
  /** What the rail stands at as it was traced. */
  readonly makes: Volts;
  /** What ways of failing of a part leave of the rail, as a ratio: by part, by way of failing. */
  readonly leaves: ReadonlyMap<string, Readonly<Partial<Record<FaultMode, number>>>>;
  /** Values that nobody read, and parts that are not in the circuit. */
  readonly guessed: readonly string[];
  readonly left: readonly string[];
}

/** Where a traced stage belongs on the sheet of its set. */
interface Placed {
  /** The rail it makes, as traced: `+12`. */
  readonly rail: string;
  /** The net of the sheet that the rail is, and the block that makes it. */
  readonly net: string;
  readonly block: string;
  /** Nets of the sheet by the rails that it is fed with; a rail that is none of them stays at its own volts. */
  readonly fed: ReadonlyMap<string, string>;
}

/** A stage that makes less or more of its rail than this, as a share, was not traced to the end. */
const farthest = 0.3;

/**
 * The stage that a traced board is, for the block that makes a rail: its netlist with what it is fed as parameters,
 * solved whole and with each part broken.
 *
 * @throws Refusal where it cannot be solved, or does not make the rail
 */
export function chassisStage(
  traced: TracedNet,
  believed: Believed,
  title: string,
  { rail, net, block, fed }: Placed,
): ChassisStage {
  const { text, made, fed: parameters, guesses, left } = makerOf(traced, believed, title, rail);
  const stage = attempt(() => Stage.open(text));
  if (stage instanceof Refusal) throw new Refusal(`as traced it cannot be worked out: ${stage.message}`);
  const wanted = Number(rail);
  const makes = stage.volts.get(made) ?? 0;
  if (Math.abs(makes - wanted) > farthest * Math.abs(wanted))
    throw new Refusal(
      `as traced it makes ${formatQuantity(makes, 'V', 3)} where ${rail} V belongs: ${left.length > 0 ? `${left.join(', ')} leads nowhere yet` : 'a beep, a part or a value is missing'}`,
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
 * A block of its own for a traced stage that makes a rail which its sheet does not know.
 *
 * @param rail as traced: `+12`
 * @param title of the block, as it is called in words
 * @param needs nets that feed it
 * @param user the block that the rail feeds, where that is known
 */
export function chassisBlock(
  rail: string,
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
  const volts = Number(rail);
  return {
    kind: 'block',
    block: freeName(/^[a-z]/.test(words) ? words.slice(0, 24) : 'stage', blocks),
    title,
    board,
    needs: [...new Set(needs)],
    rail: freeName(`${volts < 0 ? 'n' : 'v'}${String(Math.abs(volts)).replace('.', '_')}`, nets),
    volts,
    ...(user === undefined ? {} : { user }),
  };
}
