export { type BurnIn, burnInOf, type BurntZone, fieldCorners } from './burnIn';
export { photographedField } from './drawnField';
export { zoneLoss, zonePlace } from './said';
