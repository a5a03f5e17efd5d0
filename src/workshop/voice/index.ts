export { useVoice } from './useVoice';
