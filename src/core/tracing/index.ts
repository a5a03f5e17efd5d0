export { traceBoard, traceInOrder } from './board';
export { contradictionText, netOf } from './net';
export { netlistNode, netlistOf } from './netlist';
export { nextBeep, type NextBeep } from './nextBeep';
export { type TracedPart } from './part';
export { type Believed, PatternLibrary } from './library';
export { patternOf } from './pattern';
export { traceOf, withTraced } from './trace';
export { type TracedPattern } from './tracedPattern';
