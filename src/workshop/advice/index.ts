export { Suspects } from './Suspects';
export { useBriefing, type LiveBriefing } from './useBriefing';
