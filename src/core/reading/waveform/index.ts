export { rippleSource } from './rippleSource';
export { measureWaveform, SweepWatch, type Waveform } from './waveform';
export { checksSwept, waveReading, waveText } from './waveReading';
