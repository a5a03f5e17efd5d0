export { readEntry } from './entry';
export { interpret, type EntrySituation, type Interpreted } from './interpret';
export { learntFrom } from './learnt';
export { linesOfPart, readingOfPart, readMeasuredPart, surveyText } from './measuredPart';
export { readRefinement } from './refinement';
export { nextStep, type SetStep, stepTitle } from './step';
