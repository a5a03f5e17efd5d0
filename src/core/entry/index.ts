export { readEntry } from './entry';
export { interpret, type EntrySituation, type Interpreted } from './interpret';
export { linesOfPart, readingOfPart, surveyText } from './measuredPart';
export { readRefinement } from './refinement';
export { nextStep, type SetStep, stepTitle } from './step';
