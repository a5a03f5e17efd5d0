/** When and where in the log a line was made. */
export interface LogStamp {
  /** Made where it was typed, so that sending it twice records it once. */
  readonly id: string;
  /** ISO 8601 instant. */
  readonly at: string;
  /** The line this one corrects; it takes over its place and context. */
  readonly supersedes?: string;
}
