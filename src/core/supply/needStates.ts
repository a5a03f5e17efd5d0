/** Where something that is needed stands, on its way to being fitted. */
export const needStates = ['wanted', 'ordered', 'here', 'wrong', 'returned', 'fitted', 'dropped'] as const;
export type NeedState = (typeof needStates)[number];

/** What may follow what; the likeliest first. */
export const nextStates: Readonly<Record<NeedState, readonly NeedState[]>> = {
  wanted: ['ordered', 'here', 'dropped'],
  ordered: ['here', 'wrong', 'wanted', 'dropped'],
  here: ['fitted', 'wrong', 'wanted'],
  wrong: ['returned', 'wanted', 'ordered', 'dropped'],
  returned: ['wanted', 'dropped'],
  fitted: ['here'],
  dropped: ['wanted'],
};
