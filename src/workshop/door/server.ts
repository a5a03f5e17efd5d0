export { admission, invitationLasts, passCookie, passLasts } from './admission';
export { contentPolicy, isServed, reachedAt } from './hosts';
