import { Refusal } from '../../quantity';

/** A netlist that cannot be taken: the message starts with the line, from 1, and says what would be right. */
export const netlistRefusal = (line: number, complaint: string): Refusal =>
  new Refusal(`line ${line}: ${complaint}`, { line });
