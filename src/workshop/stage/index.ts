export { useVerdict } from './useVerdict';
