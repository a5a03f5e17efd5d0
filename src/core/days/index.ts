export { type DayRule, dayRules, drawSets, mostWeekly, runMonths } from './months';
export { dayCount, rankDay, type WorkableSet } from './priority';
export { type OnOrder, type Waited, waitedIn } from './waited';
export { type ClosedJob, dayAfter, mondayOf, type Week, weekOf, type WorkedLine } from './week';
export { dayIn, daysUntilEnd, startOfDay } from './zone';
