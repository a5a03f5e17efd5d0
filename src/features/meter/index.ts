export { LiveMeter } from './LiveMeter';
export { useMeter } from './useMeter';
