import * as yup from 'yup';
import { attempt, Refusal } from '../quantity';
import { traceOf, withTraced } from './trace';

/** The kind of file, and its version. */
const traceFormat = 'tovrik-trace/1';

/** Longer lines are nobody’s. */
const longest = 120;
const most = 5000;

const schema = yup.object({
  format: yup.string().oneOf([traceFormat], `format should be ${traceFormat}`).required(),
  lines: yup.array(yup.string().max(longest).required()).max(most, `${most} lines at most`).required(),
});

/** A trace as a file: its lines as they were typed, without photographs, which stay with their job. */
export const traceFile = (lines: readonly string[]): string =>
  `${JSON.stringify({ format: traceFormat, lines: lines.filter((line) => !/^(?:front|back|hole) /.test(line)) }, null, 2)}\n`;

/**
 * The lines of a file, all of them or none.
 *
 * @throws Refusal that says which line is wrong, and why
 */
export function readTraceFile(text: string): string[] {
  const read = attemptJson(text);
  let lines: string[];
  try {
    ({ lines } = schema.validateSync(read, { strict: true }));
  } catch (error) {
    throw new Refusal(`not a traced board: ${(error as Error).message}`);
  }
  let trace = traceOf([]);
  for (const [index, line] of lines.entries()) {
    const next = attempt(() => withTraced(trace, line));
    if (next instanceof Refusal) throw new Refusal(`line ${index + 1} of the board, "${line}": ${next.message}`);
    trace = { ...next, refused: [] };
  }
  return lines;
}

function attemptJson(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    throw new Refusal('not a traced board: it is no JSON. Write one with "Write the board", and open that');
  }
}
