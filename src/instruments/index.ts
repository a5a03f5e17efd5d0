export { meterLine, readMeterLine, type MeterReading } from './meterLine';
export * from './standIns';
export { MeterFeed, type FedReading, type FedSweep, type FeedState, type PointBefore } from './MeterFeed';
export { patternReader, usualPattern } from './linePattern';
export { readLog, writeLog } from './recordedLog';
