export { answerFrom } from './answering';
export {
  brierOf,
  sureBands,
  caseAfter,
  type Consequence,
  type Debrief,
  type DebriefedDecision,
  debriefOf,
  difficultyOf,
  drawHunt,
  type Exercise,
  exerciseFrom,
  exerciseSchema,
  type Grade,
  grades,
  type HuntAct,
  huntOf,
  type HuntStep,
  type PlayedHunt,
  playHunt,
  readingsOf,
  plannersHunt,
  type PracticeHunt,
  readExercise,
  type Trouble,
  troubleNames,
  writeExercise,
} from './hunts';
export { hiddenFault } from './hiddenFault';
export { complaintOf, hunt, type HuntPolicy } from './hunt';
export { traceKinds, traceOf, type LabelledTrace, type TraceKind } from './traces';
export { entryLeads } from './worlds/enteredPart';
export { calibrationOf, evaluateIn, type WorldResult } from './worlds/evaluate';
export { nameIn } from './worlds/openHunt';
export { simulatedSet } from './worlds/simulatedSet';
export { worldNames, worlds } from './worlds/world';
export * from './drills';
