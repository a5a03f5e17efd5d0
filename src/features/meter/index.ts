export { LiveMeter } from './LiveMeter';
export { useMeter } from './useMeter';
export { MeterChoice } from './MeterChoice';
export { simulatedSource, type MeterSource } from './sources';
export { type FedReading } from './MeterFeed';
