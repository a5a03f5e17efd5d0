export { type Band, type BandPart, partText, placeBand, stepsFor } from './band';
