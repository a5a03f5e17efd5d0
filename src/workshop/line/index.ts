export { LineMap } from './LineMap';
export { type Line } from './line';
