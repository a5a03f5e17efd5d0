export { type Bar, bars, type Look, tints } from '../../log';
export { greyByEye, type GreyEyeAdvice, type GreyStep, lookOf } from './byEye';
export { greyByMeter, type GreyReading, type GreyTouch } from './byMeter';
export { type Chromatic, chromaticOf, type Light, lightOf, tintOf } from './light';
export { drawGreyTube, type GreyControl, greyControls, type GreyTube } from './tube';
export { type Cathode, gunsSaid } from './cathodes';
