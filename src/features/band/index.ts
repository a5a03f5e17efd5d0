export { BandPage } from './BandPage';
