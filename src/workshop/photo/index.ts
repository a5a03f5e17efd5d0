export { AttachPhoto } from './AttachPhoto';
export { sendPhoto } from './sendPhoto';
