import { type Field } from './field';
import { type Level, levels, type SignState, signStates } from './sheet';

/** What a level stands for where a fault or a rule names it without a number. */
export const levelRatio: Readonly<Record<Level, number>> = { dead: 0, low: 0.72, good: 1, high: 1.3 };

/** One level, or several. */
export function readLevels(entry: Field): Level[] {
  return entry.isScalar ? [entry.oneOf(levels)] : entry.items().map((item) => item.oneOf(levels));
}

/** A map of net → ratio, each written as a level or as a number. */
export function readRatios(section: Field): Map<string, number> {
  return new Map(
    section.entries().map((entry) => {
      const level = levels.find((word) => word === entry.text(''));
      return [entry.name, level === undefined ? entry.number(1, 0, 10) : levelRatio[level]];
    }),
  );
}

/** A map of sign → its state. */
export function readSigns(section: Field): Map<string, SignState> {
  return new Map(section.entries().map((sign) => [sign.name, sign.oneOf(signStates)]));
}
