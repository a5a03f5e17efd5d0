export { ReckonerPanel } from './ReckonerPanel';
