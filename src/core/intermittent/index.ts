export { jointArea, type JointArea } from './jointArea';
