export { adviseShape, type ShapeAdvice, type ShapeControl, type ShapeTouch } from './advise';
export { type Seen, type Shape, shapeOf, straightened, type Wanted, wantedOf } from './fit';
export { drawMisadjusted } from './misadjusted';
export { type Place, type TermId, termIds, terms } from './terms';
export { shapeByLengths, type ShapeByLengths } from './lengths';
