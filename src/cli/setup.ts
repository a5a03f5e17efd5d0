import { placed, Refusal } from '@/core/quantity';
import { adviseRails, readRails, turnWords } from '@/core/setup';
import { command } from './command';
import { readText } from './files';

export const rails = command({
  name: 'rails',
  takes: 'FILE',
  about:
    'What to turn next so that all rails come within their tolerances: { rails: [{ id, target, within, limit?, control, clockwise? }], reads: { id: volts }, touches: [{ control, turn?, reads, end? }] }.',
  answer({ words: [file, ...more] }) {
    if (file === undefined || more.length > 0)
      throw new Refusal('name one file: rails with their controls, and what was turned');
    const text = readText(file);
    const { rails: all, touches } = placed(file, () => readRails(text));
    const { done, next, left, trouble, learnt } = adviseRails(all, touches);
    return {
      done,
      ...(next && {
        next: { ...next, ...(next.turn === undefined ? {} : { said: turnWords(next.turn) }) },
      }),
      left,
      trouble,
      rails: all.map(({ id, target, within, reads }) => ({
        id,
        reads,
        off: reads - target,
        within: Math.abs(reads - target) <= within,
      })),
      learnt,
    };
  },
});
