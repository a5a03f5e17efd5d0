import { attempt, parseQuantity, Refusal } from '../quantity';

/** A resistor with insulated leads, by what is marked on it. */
export interface DischargeTool {
  readonly ohms: number;
  readonly watts: number;
}

/** Reads `2k2 25W`; undefined where it is no resistor with its watts. */
export function readTool(text: string): DischargeTool | undefined {
  const words = text.trim().match(/^(\S+?)\s*(?:Ω|ohms?)?\s+(\S+?)\s*W?$/i) ?? /^(.+Ω)\s+(.+)$/.exec(text.trim());
  const read = attempt(() => [parseQuantity(words?.[1] ?? ''), parseQuantity(words?.[2] ?? '')] as const);
  if (read instanceof Refusal) return undefined;
  const [ohms, watts] = read;
  return ohms.value > 0 && watts.value > 0 && Number.isFinite(ohms.value * watts.value)
    ? { ohms: ohms.value, watts: watts.value }
    : undefined;
}
