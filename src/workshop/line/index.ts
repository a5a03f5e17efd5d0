export { type DrawnLine, drawnLine } from './drawnLine';
export { LineDrawing } from './LineDrawing';
export { LineMap } from './LineMap';
export { type Line } from './line';
