export {
  cautionsFor,
  deference,
  dischargeTool,
  pictureCaution,
  powerCaution,
  provenBelow,
  storesToProve,
} from './cautions';
export { peakPower, storedEnergy, timeConstant, timeToFall, voltsAfter, type Discharge } from './discharge';
export { seriesLampPoint, type Lamp, type LampLoad } from './seriesLamp';
