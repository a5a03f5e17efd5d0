export { SetUpPage } from './SetUpPage';
