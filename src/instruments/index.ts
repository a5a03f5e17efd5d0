export { meterLine, MeterLineError, readMeterLine } from './meterLine';
export { standInRate, standInReadings } from './standIn';
