export { type Consequence } from './consequences';
export { brierOf, type Debrief, type DebriefedDecision, debriefOf } from './debrief';
export { difficultyOf, type Grade, grades } from './difficulty';
export { drawHunt, type PracticeHunt } from './drawHunt';
export { type Exercise, exerciseFrom, exerciseSchema, huntOf, readExercise, writeExercise } from './exercise';
export { plannersHunt } from './plannersHunt';
export { readingsOf } from './readings';
export { type Trouble, troubleNames } from './trouble';
export { caseAfter, type HuntAct, type HuntStep, type PlayedHunt, playHunt } from './playedHunt';
