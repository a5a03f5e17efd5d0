export { dealtWith } from './dealtWith';
export { replacedParts } from './replacedParts';
export {
  isSearch,
  methodFor,
  repairActions,
  repairRefused,
  swapOf,
  swappedBoard,
  type RepairAction,
  type RepairMethod,
} from './repairs';
