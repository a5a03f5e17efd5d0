export { certain, type Crossing, findCrossings, type Pattern } from './find';
export { photographed, usualBadness } from './photographed';
export { type Point, type Raster } from './plane';
export { type Corners, screenOf } from './rectify';
