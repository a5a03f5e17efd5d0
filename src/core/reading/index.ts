export { answerText } from './answerText';
export { countBlinks, type BlinkCount, type Tap } from './blinkTaps';
export { readsOpen } from './overRange';
export {
  type After,
  classifyTrace,
  CreepWatch,
  SettleWatch,
  traceText,
  type ClassifiedTrace,
  type Sample,
} from './trace';
export { closedCases, type ClosedCase, shownBy, similarCases } from './similar';
export { usualReadings, type ClosedLog, type Usual } from './usual';
export { expectedText, inconclusive, judgeAnswer, type Judgement } from './verdict';
export {
  checksSwept,
  measureWaveform,
  rippleSource,
  SweepWatch,
  type Waveform,
  waveReading,
  waveText,
} from './waveform';
