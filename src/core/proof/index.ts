export { nextToFail } from './nextToFail';
export {
  harmOfOne,
  type Leaving,
  returnRisk,
  type ReturnsSeen,
  returnsSeen,
  shareLeft,
  visitCost,
  warrantyMonths,
  type Weighed,
  weighExtent,
  yearsWanted,
} from './returns';
export { failureRateOf, soakRun, type SoakRun, soakWorth } from './soakRun';
export { SoakWatch, type Watched, watchedSaid } from './soakWatch';
export { stressPlan, type StressStep } from './stress';
