export { esrLimit, type CapacitorSeries } from './esrLimit';
export { parallelBank, seriesBank, type Bank } from './bank';
export { changeRetrace, retrace, type LineOutput } from './lineOutput';
export { nearestFromStock } from './nearestFromStock';
export { nearestPair } from './nearestPair';
export { reservoirFor, reservoirRipple } from './reservoir';
export { ntcOhms } from './thermistor';
export { nextCanCapacitor, resonance } from './tunedCan';
export { faultRate } from './rates';
export { methodFor, repairActions, repairMethods, repairTitle, type RepairAction, type RepairMethod } from './repairs';
export { visibility } from './visibility';
export {
  bandColours,
  bandDoubts,
  bandsOf,
  isBandColour,
  readBands,
  type BandColour,
  type Banded,
  type BandDoubt,
} from './colourBands';
export { codeOf, readCode, type Coded } from './printedCode';
export { judgePart, surveyOf, type PartCheck, type PartMark, type PartVerdict, type SurveyedBoard } from './partCheck';
export { PartCheckError, readPartCheck, type KnownPart } from './readPartCheck';
