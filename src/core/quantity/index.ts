export * from './units';
export { parseQuantity, QuantityError, type Quantity } from './parseQuantity';
export { engineering, formatCode, formatQuantity } from './formatQuantity';
export { formatTolerance, parseTolerance, toleranceWidth, type Tolerance } from './tolerance';
export { median } from './median';
export { requirePositive } from './requirePositive';
export { nearestPreferred, preferredWithin, type Series } from './series';
export { deadShare, judge, type Judged, type Verdict } from './verdict';
