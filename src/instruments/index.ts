export { meterLine, MeterLineError, readMeterLine, type MeterReading } from './meterLine';
export { dischargeReadings, standInRate, standInReadings } from './standIns';
export { instrumentFor } from './instrumentFor';
export { patternReader, usualPattern } from './linePattern';
export { readLog, writeLog } from './recordedLog';
