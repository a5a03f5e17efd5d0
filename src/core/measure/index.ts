export { type Answer } from './answer';
export { number, settled, type Component, type Expectation, type Shape } from './expectation';
export { instrumentFor, type Measure, measureNames, measures } from './measures';
export { deadRatio, type NetState, type SignState, signStates } from './netState';
export { mainValue, partStandard } from './partStandard';
export { readAnswer } from './readAnswer';
export { classify, deviation, type NumberClass, type NumberStandard, type Standard } from './standard';
export { type MeasuredNet, type MeasuredPart, type NumberWay } from './way';
export { shortedDrop } from './ways/diode';
