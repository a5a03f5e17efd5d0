export { meterLine, MeterLineError, readMeterLine, type MeterReading } from './meterLine';
export { dischargeReadings, standInRate, standInReadings } from './standIn';
export { patternReader, usualPattern } from './linePattern';
export { readLog, writeLog } from './recordedLog';
