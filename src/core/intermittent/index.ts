export { jointArea, type JointArea, type Worked } from './jointArea';
