export {
  anodeSteps,
  behindLampCaution,
  type CautionScene,
  cautionsFor,
  deference,
  dischargeTool,
  drivesItself,
  onMains,
  pictureCaution,
  powerCaution,
  storesToProve,
} from './cautions';
export { type DischargeTool, readTool } from './dischargeTool';
export { peakPower, storedEnergy, timeConstant, timeToFall, voltsAfter } from './discharge';
export { type Harm, harmMinutes, harmsOf, minutesOn } from './harm';
export { seriesLampPoint } from './seriesLamp';
export {
  frontEnds,
  type FrontEnd,
  judgeStep,
  type LampedRail,
  lampFor,
  powerSteps,
  type PowerPlan,
  type PowerStep,
  type StepVerdict,
} from './stagedPower';
export { learntBleed, standOf, toolOn, type MeasuredStore, type StoreStand } from './stores';
