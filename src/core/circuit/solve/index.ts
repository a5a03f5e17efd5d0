export { NoConvergence, operatingPoint } from './operatingPoint';
export { Reduced } from './reduced';
export { smallSignal } from './smallSignal';
export { type Change, System } from './system';
export { transient, type Run } from './transient';
