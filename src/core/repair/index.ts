export { methodFor, repairActions, repairMethods, repairTitle, type RepairAction, type RepairMethod } from './repairs';
