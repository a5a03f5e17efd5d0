import { type PartMark } from '@/core/survey';
import { type MarkName } from '@/ui';

/** The mark that stands beside what is said of a part measured by itself. */
export const markOfPart: Readonly<Record<PartMark, MarkName>> = {
  fine: 'within',
  replace: 'high',
  lift: 'odd',
  wait: 'unread',
};
