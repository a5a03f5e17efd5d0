export { ladderOf, standingOf, type Hanging, type Ladder, type Rung } from './ladder';
