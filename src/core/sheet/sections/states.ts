import { type SignState, signStates } from '../../measure';
import { type Ratio } from '../../quantity';
import { type Format, mapOf, oneOf, oneOrMore } from '../describe';
import { type Level, levelRatio, levels } from '../words';

/** Net → one level, or several. */
export const levelsByNet: Format<ReadonlyMap<string, readonly Level[]>> = mapOf(oneOrMore(oneOf(levels)));

/** A reference of six volts stands at the whole rail above it when its zener diode is open. */
export const highestRatio = 30;

const ratio: Format<Ratio> = {
  read(field) {
    const level = levels.find((word) => word === field.text(''));
    return level === undefined ? field.number(1, 0, highestRatio) : levelRatio[level];
  },
  schema: { anyOf: [{ enum: levels }, { type: 'number', minimum: 0, maximum: highestRatio }] },
};

/** Net → ratio to nominal, each written as a level or as a number. */
export const ratiosByNet: Format<ReadonlyMap<string, Ratio>> = mapOf(ratio);

/** Sign → its state. */
export const statesBySign: Format<ReadonlyMap<string, SignState>> = mapOf(oneOf(signStates));
