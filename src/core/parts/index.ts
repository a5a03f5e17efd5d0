export { esrLimit } from './esrLimit';
export { faultRate } from './rates';
export { methodFor, repairActions, repairMethods, repairTitle, type RepairAction, type RepairMethod } from './repairs';
export { visibility } from './visibility';
