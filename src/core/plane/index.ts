export { cameraOf } from './camera';
export { distanceOf, type Point } from './point';
export { pairsNeeded, type PointPair, Projection } from './projection';
export { blurred, meanOf, type Plane, type Planes, planesOf, type Raster, sampled } from './raster';
export { roundSpotNear, roundSpots } from './roundSpot';
