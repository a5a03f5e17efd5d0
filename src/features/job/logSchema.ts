import * as yup from 'yup';
import { symptoms } from '@/core/picture';
import { type LogEntry, reviveBody, workedBy } from '@/core/reading';

/** Longest batch one request may carry; a client with more sends several. */
export const largestBatch = 200;

const words = (most: number) => yup.string().defined().max(most);

const answer = yup.lazy((value: { kind?: unknown } | undefined) => {
  switch (value?.kind) {
    case 'number':
      return yup.object({
        kind: yup.string().oneOf(['number']).required(),
        // JSON has no infinity: OL travels as null.
        value: yup.number().nullable().defined(),
        shape: yup.string().oneOf(['settled', 'brief']).required(),
      });
    case 'picture':
      return yup.object({
        kind: yup.string().oneOf(['picture']).required(),
        symptoms: yup.array(yup.string().oneOf(symptoms).required()).max(symptoms.length).required(),
      });
    default:
      return yup.object({ kind: yup.string().oneOf(['choice']).required(), choice: words(80).min(1) });
  }
});

const bodies: Readonly<Record<string, yup.AnyObjectSchema>> = {
  reading: yup.object({ check: words(80).min(1), answer, text: words(200) }),
  unreachable: yup.object({ check: words(80).min(1) }),
  power: yup.object({ power: yup.string().oneOf(['live', 'unplugged']).required() }),
  proven: yup.object({ store: words(80).min(1), volts: yup.number().min(-50_000).max(50_000).required() }),
  connector: yup.object({ connector: words(80).min(1), pulled: yup.boolean().required() }),
  intervention: yup.object({
    change: yup.string().oneOf(['lifted', 'bridged', 'donors']).required(),
    target: words(80).min(1),
    on: yup.boolean().required(),
  }),
  warmth: yup.object({ warm: yup.boolean().required() }),
  lamp: yup.object({ fitted: yup.boolean().required() }),
  isolation: yup.object({ fitted: yup.boolean().required() }),
  repair: yup.object({
    action: words(120).min(1),
    title: words(200).min(1),
    cures: yup.array(words(120)).max(200).required(),
    money: yup.number().min(0).max(1e6).required(),
    minutes: yup.number().min(0).max(1e5).required(),
    note: words(2000),
  }),
  inside: yup.object({
    block: words(80).min(1),
    node: words(80).min(1),
    measure: yup.string().oneOf(['volts', 'ripple']).required(),
    volts: yup.number().min(-100_000).max(100_000).required(),
  }),
  part: yup.object({ ref: words(40).min(1), line: words(160).min(1) }),
  plan: yup.object({
    lampWatts: yup.number().moreThan(0).max(2000).required(),
    lampVolts: yup.number().moreThan(0).max(500).required(),
    mains: yup.number().moreThan(0).max(500).required(),
    loadWatts: yup.number().moreThan(0).max(5000).required(),
  }),
  step: yup.object({ step: words(40).min(1), volts: yup.number().min(-1000).max(1000).required() }),
  worked: yup.object({
    board: words(80).min(1),
    x: yup.number().min(0).max(1).required(),
    y: yup.number().min(0).max(1).required(),
    by: yup.string().oneOf(workedBy).required(),
    answer: yup.number().oneOf([0, 1, 2, 3]).required(),
  }),
  soak: yup.object({ event: yup.string().oneOf(['begun', 'seen', 'ended']).required(), text: words(400) }),
  photo: yup.object({ photo: words(64).min(8), board: words(80), title: words(120) }),
  note: yup.object({ text: words(2000).min(1) }),
  withdrawn: yup.object({}),
};

const body = yup.lazy((value: { kind?: unknown } | undefined) => {
  const kind = typeof value?.kind === 'string' ? value.kind : '';
  const schema = Object.hasOwn(bodies, kind) ? bodies[kind]! : undefined;
  return schema
    ? schema.concat(yup.object({ kind: yup.string().oneOf([kind]).required() })).noUnknown()
    : yup.object({ kind: yup.string().oneOf(Object.keys(bodies), 'kind must be one of ${values}').required() });
});

const entry = yup.object({
  id: yup
    .string()
    .matches(/^[0-9a-zA-Z-]{8,64}$/, 'id must be 8 to 64 letters, digits or dashes')
    .required(),
  at: yup
    .string()
    .matches(/^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d+)?Z$/, 'at must be an ISO instant in UTC')
    .required(),
  supersedes: yup.string().max(64),
  body,
});

/** A batch of log lines as the browser sends it. */
export const batchSchema = yup.object({
  seen: yup.number().integer().min(0).required(),
  entries: yup.array(entry).min(1).max(largestBatch).required(),
});

/**
 * Reads a batch of log lines.
 *
 * @throws yup.ValidationError naming the field that is wrong
 */
export function parseBatch(input: unknown): { seen: number; entries: LogEntry[] } {
  const { seen, entries } = batchSchema.validateSync(input, { strict: true, stripUnknown: false });
  return { seen, entries: (entries as unknown as LogEntry[]).map((one) => ({ ...one, body: reviveBody(one.body) })) };
}
