export { ClassRoom } from './ClassRoom';
export { ClassSheet } from './ClassSheet';
export { Hunt } from './Hunt';
export { Practice } from './Practice';
