export { likelyNext, type OfferedStep } from './likely';
export { outBeforePower, screwsLeft, stepsText, stillOut, teardownOf, type TeardownStep } from './teardown';
