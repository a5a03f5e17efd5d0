export { compared, oddValues, type Compared } from './compared';
export { compareSiblings, type Comparison } from './divergence';
export { compareNetwork, type Network, type NetworkComparison } from './networks';
export { readNetworkTable, type NetworkTable } from './readNetworkTable';
export { comparePins, type OddPin, type PinComparison } from './pins';
export { cellText, oddText } from './said';
