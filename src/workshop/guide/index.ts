export { FirstJobLink } from './FirstJobLink';
export { GuideStrip } from './GuideStrip';
