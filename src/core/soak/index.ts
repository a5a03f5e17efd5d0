export { chanceCured, chanceOfClean, chanceOfFailures, cleanFor, type FailureRecord, readFailures } from './soak';
