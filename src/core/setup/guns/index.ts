export { drawTube } from './drawnTube';
export { cathodeOf, emissionChecks, gunsOf } from './gunChecks';
export { type GunJudged, type GunReadings, type GunSign, judgeGuns, tells, wornBelow } from './judge';
export { readGunLine } from './typed';
export { askedSaid, gunHow, gunWalk } from './walk';
export { type Weakness, weaknesses } from './weakness';
