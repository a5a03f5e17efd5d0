export { LiveMeter } from './LiveMeter';
export { useMeter } from './useMeter';
export { meterWords, type MeterWords } from './meterWords';
export { MeterChoice } from './MeterChoice';
export { simulatedSource, type MeterSource } from './sources';
export { SweepView, type Swept } from './SweepView';
