export { fingerprintOf, keptWork, readWorked, workAndKeep } from './worked';
