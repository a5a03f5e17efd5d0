export { type Band, type BandPart, partText, placeBand, stepsFor, stretchOf } from './band';
