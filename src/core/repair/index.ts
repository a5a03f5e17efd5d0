export { dealtWith } from './dealtWith';
export { replacedParts } from './replacedParts';
export { methodFor, repairActions, type RepairAction, type RepairMethod } from './repairs';
