import { array, boolean, number, object, string, ValidationError } from 'yup';

/** A suspicion of a hunt that has ended, as the browser keeps it. */
export interface KeptSuspicion {
  /** The hunt it is of: each is kept once. */
  readonly hunt: string;
  readonly sure: number;
  readonly right: boolean;
}

/** So many are remembered. */
const remembered = 400;
const schema = array(
  object({ hunt: string().required(), sure: number().min(0).max(1).required(), right: boolean().required() }),
).required();

/** Suspicions as they were kept; what cannot be read was never said. */
export function readSuspicions(text: string | null): KeptSuspicion[] {
  try {
    return schema.validateSync(JSON.parse(text ?? '[]'), { strict: true });
  } catch (error) {
    if (error instanceof ValidationError || error instanceof SyntaxError) return [];
    throw error;
  }
}

/** The suspicions that are kept, with those of a hunt in place of what was kept of it before. */
export function withSuspicions(
  kept: readonly KeptSuspicion[],
  hunt: string,
  statements: readonly Pick<KeptSuspicion, 'sure' | 'right'>[],
): KeptSuspicion[] {
  const own = statements.map(({ sure, right }) => ({ hunt, sure, right }));
  return [...kept.filter((one) => one.hunt !== hunt), ...own].slice(-remembered);
}
