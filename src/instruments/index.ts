export { meterLine, MeterLineError, readMeterLine, type MeterReading } from './meterLine';
export { standInRate, standInReadings } from './standIn';
