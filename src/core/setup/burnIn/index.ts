export { type BurnIn, burnInOf, type BurntZone } from './burnIn';
export { fieldCorners } from './fieldCorners';
export { photographedField } from './drawnField';
export { zoneLoss, zonePlace } from './said';
