export { TubePage } from './TubePage';
