export { admission, passCookie, passLasts } from './admission';
export { contentPolicy, isServed } from './hosts';
