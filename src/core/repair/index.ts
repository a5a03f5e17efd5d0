export { dealtWith } from './dealtWith';
export { replacedParts } from './replacedParts';
export { methodFor, repairActions, repairRefused, type RepairAction, type RepairMethod } from './repairs';
