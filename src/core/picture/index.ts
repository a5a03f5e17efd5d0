export { type Manner, mannerNamed, manners, mannerTitles } from './manner';
export { type Mark } from './marks';
export { darkPicture, goodPicture, type Picture } from './picture';
export {
  isDamage,
  isMark,
  likeness,
  otherwiseCalled,
  symptoms,
  symptomsOf,
  symptomTitles,
  type Symptom,
} from './symptoms';
export { depict } from './depict';
export { drawPicture } from './draw';
