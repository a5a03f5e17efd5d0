/** A place in the YAML text, from 1. */
export interface Place {
  readonly line: number;
  readonly column: number;
  /** The sheet whose text it is in, where that is not the one being read but one it extends. */
  readonly sheet?: string;
}
