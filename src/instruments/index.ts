export { meterLine, readMeterLine, type MeterReading } from './meterLine';
export {
  beepReadings,
  dischargeReadings,
  multimeterReadings,
  soakReadings,
  standInRate,
  standInReadings,
  turningReadings,
} from './standIns';
export { MeterFeed, type FedReading, type FedSweep, type FeedState, type PointBefore } from './MeterFeed';
export { patternReader, usualPattern } from './linePattern';
export { readLog, writeLog } from './recordedLog';
