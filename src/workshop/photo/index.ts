export { AttachPhoto } from './AttachPhoto';
