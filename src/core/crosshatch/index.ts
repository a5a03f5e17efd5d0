export { certain, type Crossing, findCrossings, type Pattern } from './find';
export { glassCorners } from './glass';
export { photographed, usualBadness } from './photographed';
export { type Corners, pictureOf, screenOf } from './rectify';
