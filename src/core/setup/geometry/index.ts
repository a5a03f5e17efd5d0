export { adviseShape, type ShapeAdvice, type ShapeControl, type ShapeMove, type ShapeTouch } from './advise';
export { type Seen, type Shape, shapeOf, straightened, type Wanted, wantedOf } from './fit';
export { drawMisadjusted } from './misadjusted';
export { type Place, type Term, type TermId, termIds, terms } from './terms';
