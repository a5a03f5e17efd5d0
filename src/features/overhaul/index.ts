export { ConditionReport } from './ConditionReport';
export { Overhaul } from './Overhaul';
