export { PowerDesk } from './PowerDesk';
