import {
  chassisBlock,
  type ChassisPart,
  chassisParts,
  chassisStage,
  netOfRail,
  tracedRails,
  tracedVolts,
} from '@/core/job';
import { attempt, Refusal } from '@/core/quantity';
import { isRail, type Spot } from '@/core/tracing';
import { type Block, type Net, type PartRole, type Sheet, type SheetChange } from '@/core/sheet';
import { type TraceView } from './traceModel';

/** Stands for a rail that the sheet does not know, in a block that is made for it. */
export const ownBlock = '+';

/** What was chosen of where a traced board goes. */
interface Chosen {
  /** What it makes, as traced: a rail `+12`, or a spot of the node it drives, `Q5.c`. */
  readonly makes: Spot;
  readonly net: string | undefined;
  /** Nets by the rails it is fed from; empty for none of the sheet. */
  readonly fedBy: Readonly<Record<string, string>>;
  readonly title: string;
  readonly board: string | undefined;
  /** The block that a rail of its own feeds. */
  readonly user: string | undefined;
}

/** What of a traced board goes onto the sheet of its chassis, and where. */
interface OntoChassis {
  readonly nets: readonly Net[];
  readonly net: string | undefined;
  /** The block that makes the net; undefined for one of its own. */
  readonly block: Block | undefined;
  readonly title: string;
  readonly board: string;
  readonly fed: readonly (readonly [rail: string, net: string | undefined])[];
  readonly parts: readonly ChassisPart[];
  /** The circuit; why it stays off; undefined as long as nobody said where it goes. */
  readonly stage: ReturnType<typeof chassisStage> | Refusal | undefined;
  readonly isThere: boolean;
  readonly made: Extract<SheetChange, { readonly kind: 'block' }> | undefined;
}

/** A netlist without the title on its first line. */
const elementsOf = (text: string | undefined): string | undefined => text?.replace(/^.*\n/, '').trim();

/** What of a traced board goes onto a sheet, by what was chosen. */
export function ontoChassis(
  lines: readonly string[],
  { net: traced, believed }: TraceView,
  sheet: Sheet,
  { makes, net: chosen, fedBy, title: typed, board: on, user }: Chosen,
): OntoChassis {
  const makers = [...sheet.blocks.values()];
  const nets = [...sheet.nets.values()].filter(({ id }) => makers.some(({ makes }) => makes.includes(id)));
  const net = chosen ?? netOfRail(makes, sheet);
  const block = makers.find(({ makes }) => net !== undefined && makes.includes(net));
  const title = typed.trim() || (isRail(makes) ? `${makes} V stage` : `Stage at ${makes}`);
  const board = on ?? [...sheet.boards.values()].find(({ id }) => id === 'main')?.id ?? [...sheet.boards.keys()][0]!;
  const fed = tracedRails(lines)
    .filter((one) => one !== makes)
    .map((one) => [one, fedBy[one] === undefined ? netOfRail(one, sheet) : fedBy[one] || undefined] as const);
  const known = new Map(fed.flatMap(([one, is]) => (is === undefined ? [] : [[one, is] as const])));
  /** What it stands at, for a block of its own; why that cannot be said. */
  const volts = isRail(makes) ? Number(makes) : attempt(() => tracedVolts(traced, believed, makes));
  const made =
    net === ownBlock && !(volts instanceof Refusal)
      ? chassisBlock(makes, volts, { title, board, needs: [...known.values()], user }, sheet)
      : undefined;
  const place = made
    ? { net: made.rail, block: made.block }
    : block && net !== undefined
      ? { net, block: block.id, volts: sheet.nets.get(net)?.volts }
      : undefined;
  const parts = place ? chassisParts(lines, sheet, { made: makes, ...place }) : [];
  const stage = place
    ? attempt(() => chassisStage(traced, believed, 'as traced', { made: makes, ...place, fed: known }))
    : volts instanceof Refusal && net === ownBlock
      ? volts
      : undefined;
  const isThere =
    !made &&
    parts.length === 0 &&
    stage !== undefined &&
    (stage instanceof Refusal || elementsOf(block?.stage?.text) === elementsOf(stage.change.circuit));
  return { nets, net, block, title, board, fed, parts, stage: isThere ? undefined : stage, isThere, made };
}

/** The changes of the sheet, in the order in which they go in. */
export function changesOf(
  { made, parts, stage }: OntoChassis,
  left: ReadonlySet<string>,
  roles: Readonly<Record<string, PartRole>>,
): SheetChange[] {
  const taken = parts.filter(({ ref }) => !left.has(ref));
  const circuit = stage instanceof Refusal ? undefined : stage;
  const changed = taken.map(({ ref, change }): SheetChange => {
    const leaves = circuit?.leaves.get(ref);
    return { ...change, role: roles[ref] ?? change.role, ...(leaves ? { leaves } : {}) };
  });
  if (taken.length === 0 && !circuit) return [];
  const inside = circuit && {
    ...circuit.change,
    parts: Object.fromEntries(Object.entries(circuit.change.parts ?? {}).filter(([, ref]) => !left.has(ref))),
  };
  return [...(made ? [made] : []), ...changed, ...(inside ? [inside] : [])];
}
