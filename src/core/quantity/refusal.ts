/** Where in a text something is wrong, from 1; what is not known is left out. */
export interface RefusedAt {
  readonly line?: number;
  readonly column?: number;
}

/**
 * What was typed, sent or opened and cannot be taken. The message says what is wrong, where, and what
 * would be right; nothing was changed by the attempt.
 *
 * All of core refuses in this one way. It is an answer, not an accident: it carries no stack, which would take
 * longer to make than what is read, and readers try one thing after the other.
 */
export class Refusal extends Error {
  override readonly name: string = 'Refusal';

  constructor(
    message: string,
    readonly at: RefusedAt = {},
  ) {
    const { stackTraceLimit } = Error;
    Error.stackTraceLimit = 0;
    super(message);
    Error.stackTraceLimit = stackTraceLimit;
  }
}

/** What `read` gives, or the refusal it ends in. Any other error is thrown on. */
export function attempt<T>(read: () => T): T | Refusal {
  try {
    return read();
  } catch (error) {
    if (error instanceof Refusal) return error;
    throw error;
  }
}

/** What `read` gives; a refusal is thrown on with `where` before its message: `line 3: …`. */
export function placed<T>(where: string, read: () => T, at: RefusedAt = {}): T {
  const given = attempt(read);
  if (given instanceof Refusal) throw new Refusal(`${where}: ${given.message}`, { ...given.at, ...at });
  return given;
}
