export { darkPicture, goodPicture, marks, type Mark, type Picture } from './picture';
export { isMark, likeness, symptoms, symptomsOf, symptomTitles, type Symptom } from './symptoms';
export { depict } from './depict';
export { drawPicture, type Shape } from './draw';
