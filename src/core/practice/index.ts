export { answerFrom } from './answering';
export { complaintOf, hunt, nameFault, type Hunt, type HuntOptions, type HuntPolicy, type Naming } from './hunt';
