export { type Ability, abilityOf, type Answered, chanceRight, drillToAsk } from './ability';
export { type DrillMaterial, drawDrill, drawDrills } from './draw';
export {
  type DrawnDrill,
  type Drill,
  guessOf,
  isRight,
  rightAnswer,
  type Skill,
  skills,
  type TypedDrill,
} from './drill';
