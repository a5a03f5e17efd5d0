export * from './units';
export { attempt, placed, Refusal } from './refusal';
export { parseQuantity, type Quantity, quantityIn } from './parseQuantity';
export { engineering, formatCode, formatQuantity } from './formatQuantity';
export { formatTolerance, parseTolerance, toleranceWidth, type Tolerance } from './tolerance';
export { evenSpread, type Instrument, instruments, leadOhms } from './instruments';
export { requirePositive } from './requirePositive';
export { nearestPreferred, preferredWithin, type Series } from './series';
export { judge } from './verdict';
