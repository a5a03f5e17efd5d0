export { countedAs } from './countedAs';
export { guideStep, type GuideStep, guideSteps, takingIn } from './guide';
export { leftUndone } from './leftUndone';
export { benchMinutes, draftNote } from './faultNote';
export { stepOf, steps, type JobStep } from './progress';
export { readingRows, type ReadingRow } from './readingRows';
export { setUpRows, type SetUpRow } from './setUpRows';
export { surveyRows, typedPart, type SurveyRow } from './surveyRows';
