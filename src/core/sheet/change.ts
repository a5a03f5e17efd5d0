import * as yup from 'yup';
import { partKindNames } from '../parts';
import { partRoles } from './ownPart';

const shortName = (example: string) =>
  yup
    .string()
    .matches(/^[A-Za-z][\w-]{0,30}$/, `a short name, like ${example}`)
    .required();
const place = yup.string().max(200, 'a place of at most 200 letters');
const volts = yup.number().min(-60_000).max(60_000);

/** Values by name: at most so many. */
const mostNamed = 200;

function mapOf<Value>(value: yup.Schema<Value>) {
  return yup
    .mixed((input): input is Readonly<Record<string, Value>> => typeof input === 'object' && input !== null)
    .transform((input: unknown) => input ?? undefined)
    .test('named', 'names with what each stands for', (input) => {
      if (input === undefined) return true;
      const entries = Object.entries(input);
      return (
        entries.length <= mostNamed &&
        entries.every(([name, one]) => /^[\w+.-]{1,60}$/.test(name) && value.isValidSync(one, { strict: true }))
      );
    });
}

/** What may be learnt of a set at the bench, by kind. */
const changes = {
  /** A point the sheet lacks, or what a good set reads there. */
  point: yup.object({
    kind: yup
      .string()
      .oneOf(['point'] as const)
      .required(),
    point: shortName('tp4'),
    net: yup.string().max(60),
    where: place,
    volts,
    source: yup
      .string()
      .oneOf(['manual', 'good set'] as const)
      .required(),
  }),
  /** A part it does not list, with what it is to a net. */
  part: yup.object({
    kind: yup
      .string()
      .oneOf(['part'] as const)
      .required(),
    part: shortName('R118'),
    is: yup.string().oneOf(partKindNames).required(),
    value: yup.string().max(40).defined(),
    block: yup.string().max(60).required(),
    role: yup.string().oneOf(partRoles).required(),
    net: yup.string().max(60).required(),
    /** What ways of failing leave of the net, as a ratio, where a circuit says so; by the role otherwise. */
    leaves: mapOf(yup.number().min(-20).max(20).required()),
  }),
  /** A block of its own that makes a rail which nobody has written down. */
  block: yup.object({
    kind: yup
      .string()
      .oneOf(['block'] as const)
      .required(),
    block: shortName('regulator'),
    title: yup.string().min(1, 'a block needs a title').max(60, 'a title of at most 60 letters').required(),
    board: yup.string().max(60).required(),
    needs: yup.array(yup.string().max(60).required()).max(12).required(),
    rail: shortName('v18'),
    volts: volts.required(),
    /** The block that needs the rail, where that is known. */
    user: yup.string().max(60),
  }),
  /** What is inside a block: its netlist, with what its names stand for. */
  stage: yup.object({
    kind: yup
      .string()
      .oneOf(['stage'] as const)
      .required(),
    block: yup.string().max(60).required(),
    circuit: yup.string().min(1).max(20_000, 'a netlist of at most 20,000 letters').required(),
    given: mapOf(yup.string().max(60).required()),
    nodes: mapOf(yup.string().max(60).required()),
    parts: mapOf(yup.string().max(60).required()),
  }),
  /** A rail with the block that makes it and where it is measured. */
  rail: yup.object({
    kind: yup
      .string()
      .oneOf(['rail'] as const)
      .required(),
    rail: shortName('v18'),
    volts: volts.required(),
    block: yup.string().max(60).required(),
    /** The block that needs it, where that is known. */
    user: yup.string().max(60),
    point: shortName('tp18'),
    where: place,
  }),
  /** A count of blinks with the rail it speaks of. */
  code: yup.object({
    kind: yup
      .string()
      .oneOf(['code'] as const)
      .required(),
    blinks: yup.number().integer().min(1).max(30).required(),
    net: yup.string().max(60).required(),
    meaning: yup.string().max(80, 'a meaning of at most 80 letters').defined(),
  }),
  /** Another name of a board. */
  board: yup.object({
    kind: yup
      .string()
      .oneOf(['board'] as const)
      .required(),
    board: yup.string().max(60).required(),
    alias: yup.string().min(1).max(60, 'a name of at most 60 letters').required(),
  }),
} as const;

/** A change of a sheet, as a line typed at the bench brings it about. */
export type SheetChange = {
  [Kind in keyof typeof changes]: yup.InferType<(typeof changes)[Kind]>;
}[keyof typeof changes];

/**
 * Reads a change as it was sent.
 *
 * @throws ValidationError with what would be right
 */
export function readSheetChange(input: unknown): SheetChange {
  const { kind } = yup
    .object({
      kind: yup
        .string()
        .oneOf(Object.keys(changes) as (keyof typeof changes)[])
        .required(),
    })
    .validateSync(input);
  return changes[kind].validateSync(input, { stripUnknown: true });
}
