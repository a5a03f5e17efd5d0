export { SecondScreen } from './SecondScreen';
