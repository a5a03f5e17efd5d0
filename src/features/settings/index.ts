export { Settings } from './Settings';
