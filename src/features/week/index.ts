export { WeekReview } from './WeekReview';
