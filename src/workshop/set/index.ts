export { labelValues } from './labelValues';
export { LabelFields, OptionChoices } from './SetFields';
export { type Described, describedSchema, kindSchema, takeInSchema } from './setSchema';
