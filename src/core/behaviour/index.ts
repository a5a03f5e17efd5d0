export { checksOf, measureTitles, type Check } from './checks';
export {
  asBuilt,
  contextKey,
  type Context,
  type Intervention,
  interventions,
  liveCold,
  withConnector,
  withIntervention,
} from './context';
export { expect } from './expect';
export { type Component, type Expectation, type Shape } from './expectation';
export { compileSheet, deadRatio, joined, levelOf, type Model } from './model';
export { nothingSeen } from './partReading';
export { Predictions } from './predictions';
export { simulate, type Behaviour, type NetState } from './simulate';
export { classify, deviation, type NumberClass, type NumberStandard, type Standard } from './standard';
export { blinkConditions, type BlinkCondition } from './blinkConditions';
