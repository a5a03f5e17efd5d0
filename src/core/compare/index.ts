export { compared, oddValues, type Compared } from './compared';
export { compareSiblings, type Comparison } from './divergence';
export { compareNetwork, type Network } from './networks';
export { readNetworkTable, type NetworkTable } from './readNetworkTable';
export { comparePins, type OddPin } from './pins';
export { cellText, oddText } from './said';
