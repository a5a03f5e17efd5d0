export { readEntry, type Entry } from './entry';
export { interpret, type EntrySituation, type Interpreted } from './interpret';
export { type EntryScope } from './named';
export { readRefinement, type Refinement } from './refinement';
export { nextStep, type SetStep } from './step';
