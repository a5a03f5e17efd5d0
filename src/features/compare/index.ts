export { CompareScreen } from './CompareScreen';
