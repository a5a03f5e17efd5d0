export { standIn } from './handleStandIn';
export { simulatedMeterOffered } from './offered';
