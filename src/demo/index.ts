export { readScenario } from './scenario';
export { linkSuppliers, seedDemo } from './seed';
