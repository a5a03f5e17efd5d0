import { type ComponentType, useMemo } from 'react';
import { sheetOfText } from '@/core/sheet';
import { type JobFile, type SentJob } from './jobFile';

/** A screen of a job as pages open it: the job comes as it was sent, and its sheet is read once for all of them. */
export function ofSentJob<Props extends { readonly file: JobFile }>(Screen: ComponentType<Props>) {
  return function OfSentJob({ file: sent, ...rest }: Omit<Props, 'file'> & { readonly file: SentJob }) {
    const file = useMemo((): JobFile => {
      const { sheetText, ...job } = sent;
      return { ...job, sheet: sheetOfText(sheetText) };
    }, [sent]);
    // What is left of the properties beside the job, and the job itself, are all of them.
    const props = { ...rest, file } as unknown as Props;
    return <Screen {...props} />;
  };
}
