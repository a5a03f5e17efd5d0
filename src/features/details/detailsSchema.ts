import { takeInSchema } from '@/features/take-in/takeInSchema';

/** What may be put right of a set after it was taken in; its complaint and its sheet stay. */
export const detailsSchema = takeInSchema.pick([
  'title',
  'place',
  'owner',
  'words',
  'value',
  'limit',
  'label',
  'options',
]);
