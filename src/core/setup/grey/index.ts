export { greyByEye, type GreyEyeAdvice, type GreyStep, type Look, lookOf, tints } from './byEye';
export { greyByMeter, type GreyReading, type GreyTouch } from './byMeter';
export { type Chromatic, chromaticOf, type Light, lightOf, tintOf } from './light';
export { type Bar, bars, drawGreyTube, type GreyControl, greyControls, type GreyTube } from './tube';
export { type Cathode, gunsSaid } from './cathodes';
