export { dealtWith } from './dealtWith';
export { methodFor, repairActions, type RepairAction, type RepairMethod } from './repairs';
