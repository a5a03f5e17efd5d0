export { type DayRule, dayRules, drawSets, runMonths } from './months';
export { rankDay, type WorkableSet } from './priority';
