import * as yup from 'yup';
import { type LogEntry } from './entry';
import { kinds, kindOf, type LogBody } from './kinds';
import { type KnownNames } from './line';

/** Longest batch one request may carry; a client with more sends several. */
export const largestBatch = 200;

/** Kinds that were stored under another word once. */
const formerly: Readonly<Record<string, LogBody['kind']>> = { proven: 'store' };

/** A stored or sent body as it is read today: of every earlier form, with what JSON could not carry put back. */
export function reviveBody(stored: LogBody): LogBody {
  const kind = Object.hasOwn(formerly, stored.kind) ? formerly[stored.kind]! : stored.kind;
  const body = { ...stored, kind } as LogBody;
  return Object.hasOwn(kinds, kind) ? (kindOf(body).revive?.(body) ?? body) : body;
}

const fieldsOf: Readonly<Record<string, yup.AnyObjectSchema>> = Object.fromEntries([
  ...Object.entries(kinds).map(([kind, { fields }]) => [kind, fields]),
  ...Object.entries(formerly).map(([was, kind]) => [was, kinds[kind].fields]),
]) as Record<string, yup.AnyObjectSchema>;

const body = yup.lazy((value: { kind?: unknown } | undefined) => {
  const kind = typeof value?.kind === 'string' ? value.kind : '';
  const fields = Object.hasOwn(fieldsOf, kind) ? fieldsOf[kind]! : undefined;
  return fields
    ? fields.concat(yup.object({ kind: yup.string().oneOf([kind]).required() })).noUnknown()
    : yup
        .object({ kind: yup.string().oneOf(Object.keys(kinds), 'kind must be one of ${values}').required() })
        .required();
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

const batchSchema = yup.object({
  seen: yup.number().integer().min(0).required(),
  entries: yup.array(entry.required()).min(1).max(largestBatch).required(),
});

/**
 * Reads a batch of log lines as the browser sends it.
 *
 * @throws yup.ValidationError naming the field that is wrong
 */
export function parseBatch(input: unknown): { seen: number; entries: LogEntry[] } {
  const { seen, entries } = batchSchema.validateSync(input, { strict: true, stripUnknown: false });
  return { seen, entries: (entries as unknown as LogEntry[]).map((one) => ({ ...one, body: reviveBody(one.body) })) };
}

/** The first name in some lines that the sheet does not know, as a message; undefined when all are known. */
export function unknownName(entries: readonly LogEntry[], known: KnownNames): string | undefined {
  for (const { body: line } of entries) {
    const message = kindOf(line).unknown?.(line, known);
    if (message !== undefined) return message;
  }
  return undefined;
}
