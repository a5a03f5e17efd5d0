export { ladderOf, standingOf, type Hanging, type Ladder, type Rung, type Section } from './ladder';
