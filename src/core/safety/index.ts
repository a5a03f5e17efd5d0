export {
  anodeSteps,
  cautionsFor,
  deference,
  dischargeTool,
  pictureCaution,
  powerCaution,
  storesToProve,
} from './cautions';
export { peakPower, storedEnergy, timeConstant, timeToFall, voltsAfter, type Discharge } from './discharge';
export { seriesLampPoint, type Lamp, type LampLoad } from './seriesLamp';
export { judgeStep, lampFor, powerSteps, type PowerPlan, type PowerStep, type StepVerdict } from './stagedPower';
export { learntBleed, standOf, toolOn, type StoreReading, type StoreStand, type ToolOn } from './stores';
