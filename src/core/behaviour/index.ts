export { checksOf, choicesFor, isMetered, type Check } from './checks';
export {
  asBuilt,
  contextKey,
  type Context,
  type Intervention,
  interventions,
  leadOf,
  liveCold,
  withConnector,
  withIntervention,
} from './context';
export { expect } from './expect';
export { compileSheet, joined } from './model';
export { Predictions, predictionsOf } from './predictions';
export { simulate, type Behaviour } from './simulate';
export { blinkConditions, type BlinkCondition } from './blinkConditions';
