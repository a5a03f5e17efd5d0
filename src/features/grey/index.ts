export { GreyPage } from './GreyPage';
