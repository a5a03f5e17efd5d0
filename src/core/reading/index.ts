export { type Answer } from './answer';
export { EntryError, exampleFor, readEntry, type Entry, type EntryScope } from './entry';
export { reviveBody } from './json';
export {
  provenBelow,
  replay,
  standing,
  workedBy,
  type BenchState,
  type InsideReading,
  type LogBody,
  type LogEntry,
  type Proof,
  type Repair,
  type Standing,
  type TakenReading,
  type WorkedBy,
} from './log';
export { readRefinement, type Refinement } from './refinement';
export { answerText } from './answerText';
export { expectedText, inconclusive, judgeAnswer, type Verdict } from './verdict';
export {
  type After,
  classifyTrace,
  CreepWatch,
  SettleWatch,
  traceText,
  type ClassifiedTrace,
  type Sample,
  type TraceShape,
} from './trace';
export {
  checksSwept,
  measureWaveform,
  rippleSource,
  SweepWatch,
  type Waveform,
  waveReading,
  waveText,
} from './waveform';
export { readsOpen } from './overRange';
export { usualReadings, type ClosedLog, type Usual } from './usual';
export { countBlinks, type BlinkCount, type Tap } from './blinkTaps';
