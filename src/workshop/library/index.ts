export { refineSheet } from './refineSheet';
