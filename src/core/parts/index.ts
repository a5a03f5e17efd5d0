export { esrLimit, type CapacitorSeries } from './esrLimit';
export { parallelBank, seriesBank, type Bank } from './bank';
export { changeRetrace, retrace, type LineOutput } from './lineOutput';
export { nearestFromStock } from './nearestFromStock';
export { nearestPair } from './nearestPair';
export { reservoirFor, reservoirRipple } from './reservoir';
export { ntcOhms } from './thermistor';
export { nextCanCapacitor, resonance } from './tunedCan';
export { faultModeNames, faultModes, type FaultMode, type FaultModeRow } from './faultModes';
export { faultRate, partKindNames, partKinds, replacing, visibility, type PartKind, type PartKindRow } from './kinds';
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
