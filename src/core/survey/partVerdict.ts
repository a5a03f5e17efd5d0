/** `fine`, `replace`, `lift` a leg before judging, `wait` until it has settled. */
export type PartMark = 'fine' | 'replace' | 'lift' | 'wait';

export interface PartVerdict {
  readonly mark: PartMark;
  /** Why, by how much. */
  readonly words: string;
  /** What to do to be sure of it. */
  readonly advice?: string;
  /** What it is taken for, where that is a question. */
  readonly taken?: string;
}
