import { type Ref } from 'react';

/** Something that is wrong with a text, by its line, counted from 1. */
export interface SourceTrouble {
  readonly line: number;
  readonly message: string;
  readonly severity: 'error' | 'warning';
}

/** What may be done to an editor from outside. */
export interface SourceHandle {
  /** Marks a line and brings it into view. */
  goTo(line: number): void;
}

export interface SourceProps {
  readonly label: string;
  readonly value: string;
  readonly language: 'yaml' | 'netlist';
  /** Names that may be completed in a text, asked for when one is typed; the same function as long as it means the same. */
  readonly words: (text: string) => readonly string[];
  readonly troubles: readonly SourceTrouble[];
  onChange(text: string): void;
  readonly ref?: Ref<SourceHandle>;
}
