export { type Figure, type FigureValue } from './part/figure';
export { type SupplyKind, supplyKinds } from './part/kinds';
export { readPart, type SupplyPart, writePart } from './part/readPart';
export { type FieldVerdict, substitute, type Substitution } from './substitute/judge';
export { type Place, readPlace } from './substitute/place';
export { type SubstituteVerdict, verdicts } from './substitute/rules';
