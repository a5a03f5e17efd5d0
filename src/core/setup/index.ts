export {
  anyControls,
  type CrosshatchSaid,
  crosshatchSaid,
  firstMove,
  lengthsSaid,
  shapeControls,
} from './crosshatchSaid';
export {
  adviseShape,
  drawMisadjusted,
  type Shape,
  shapeByLengths,
  type ShapeAdvice,
  shapeOf,
  type ShapeTouch,
  type TermId,
  terms,
  type Wanted,
  wantedOf,
} from './geometry';
export {
  type Bar,
  bars,
  drawGreyTube,
  type GreyControl,
  greyByEye,
  greyByMeter,
  type GreyStep,
  type GreyTouch,
  type GreyTube,
  gunsSaid,
  type Look,
  lookOf,
  tintOf,
  tints,
} from './grey';
export { greyByEyeOf, greyByMeterOf } from './greyWalk';
export { readGrey } from './greyFile';
export { adviseRails, type Rail, type Touch } from './rails';
export { readRails } from './railsFile';
export { shapeLine, type ShapeWalk, shapeWalk } from './shapeWalk';
export { drawTrimmers, trimmersAsTurned } from './trimmers';
export {
  askedSaid,
  cathodeOf,
  drawTube,
  emissionChecks,
  gunHow,
  type GunJudged,
  gunsOf,
  type GunSign,
  gunWalk,
  judgeGuns,
  readGunLine,
  tells,
  type Weakness,
  weaknesses,
  wornBelow,
} from './guns';
export { type BurnIn, burnInOf, type BurntZone, fieldCorners, photographedField, zoneLoss, zonePlace } from './burnIn';
export { judgeTubeFile } from './tubeFile';
export { approachOf, type RailApproach } from './approach';
export { type Watched } from './watched';
export { railsWalk, railSteps, type RailRow, type WalkAsks } from './walk';
