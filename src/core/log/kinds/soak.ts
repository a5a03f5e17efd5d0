import * as yup from 'yup';
import { type LineKind, type LineOf, text } from '../line';

const fields = yup.object({
  event: yup
    .string()
    .oneOf(['begun', 'stressed', 'seen', 'failed', 'ended'] as const)
    .required(),
  text: text(400),
});

/** A soak begun or ended, what the set was put through, something seen while it ran, or that it failed, which ends it. */
export type SoakLine = LineOf<'soak', typeof fields>;

export const soak: LineKind<SoakLine> = {
  work: 'measuring',
  fields,
  fold(bench, { event, text: typed }, { at }) {
    if (event === 'begun') bench.soakBegun(at, typed);
    else if (event === 'seen') bench.soakFailed();
    else if (event === 'failed' || event === 'ended') bench.soakEnded(at, event === 'failed');
  },
  said: ({ event, text: seen }) =>
    event === 'seen'
      ? seen
      : event === 'stressed'
        ? `soak: ${seen}`
        : event === 'failed' && seen !== ''
          ? `soak failed: ${seen}`
          : `soak ${event}`,
};
