import { describedSchema, kindSchema } from '@/workshop/set';

/** What may be put right of a set after it was taken in; its complaint and its sheet stay. */
export const detailsSchema = describedSchema.concat(kindSchema);
