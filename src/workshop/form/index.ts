export { AmountField, FormRefusal, Labelled, Pair, ParagraphField, TextField } from './fields';
export { useAnsweredForm } from './useAnsweredForm';
