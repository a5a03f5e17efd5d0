export { chassisParts, netOfRail, tracedRails } from './chassisParts';
export { countedAs } from './countedAs';
export { leftUndone } from './leftUndone';
export { benchMinutes, draftNote } from './faultNote';
export { stepOf, steps, type JobStep } from './progress';
export { readingRows, type ReadingRow } from './readingRows';
export { setUpRows, type SetUpRow } from './setUpRows';
export { surveyRows, typedPart, type SurveyRow } from './surveyRows';
export { tableReadings, type TableReading } from './tableReadings';
