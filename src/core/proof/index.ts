export { chanceCured, chanceOfClean, cleanFor, type FailureRecord, readFailures } from './soak';
