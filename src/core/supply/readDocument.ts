import { isNode, LineCounter, parseDocument } from 'yaml';
import { type Schema, ValidationError } from 'yup';
import { Refusal } from '../quantity';

/** What is said of a key that a document does not have, for `noUnknown`. */
export const unknownKey = '${path} has ${unknown}, which is nothing here';

/**
 * Reads a YAML or JSON document by a schema.
 *
 * @throws Refusal with the line of the first thing that is wrong, and what would be right
 */
export function readDocument<T>(text: string, schema: Schema<T>): T {
  const lines = new LineCounter();
  const document = parseDocument(text, { lineCounter: lines });
  const [error] = document.errors;
  if (error) {
    const { line } = lines.linePos(error.pos[0]);
    throw new Refusal(`line ${line}: ${error.message.split('\n')[0]!}`, { line });
  }
  try {
    return schema.validateSync(document.toJS(), { strict: true, abortEarly: true });
  } catch (wrong) {
    if (!(wrong instanceof ValidationError)) throw wrong;
    const path = (wrong.path ?? '').split(/[.[\]]+/).filter(Boolean);
    const line = lineOf(path);
    throw new Refusal(`line ${line}: ${wrong.message.replace(/^this /, 'the file ')}`, { line });
  }

  /** The line of the value at a path, or of the nearest around it that is there. */
  function lineOf(path: readonly string[]): number {
    for (let length = path.length; length > 0; length -= 1) {
      const steps = path.slice(0, length).map((step) => (/^\d+$/.test(step) ? Number(step) : step));
      const node = document.getIn(steps, true);
      if (isNode(node) && node.range) return lines.linePos(node.range[0]).line;
    }
    return 1;
  }
}
