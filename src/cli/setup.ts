import { placed, Refusal, turnWords } from '@/core/quantity';
import { adviseRails, greyByEye, greyByMeter, gunsSaid, readGrey, readRails, tintOf } from '@/core/setup';
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

export const grey = command({
  name: 'grey',
  takes: 'FILE',
  about:
    'What to turn next so that a dark and a bright bar are grey: { by: meter, bars: { dark, bright }, touches: [{ control, turn?, bars }] }, { by: eye, steps: [{ bar, looks } or { control, turn }] } or { by: cathodes, red: { cutOff, white }, green, blue, least }.',
  answer({ words: [file, ...more] }) {
    if (file === undefined || more.length > 0) throw new Refusal('name one file: bars as read, seen, or cathode volts');
    const text = readText(file);
    const problem = placed(file, () => readGrey(text));
    if (problem.by === 'cathodes') return gunsSaid(problem.cathodes, problem.least);
    if (problem.by === 'eye') {
      const { done, look, next, thought } = greyByEye(problem.steps);
      return {
        done,
        ...(look && { look: { bar: look, say: 'reddish, purplish, bluish, blue-green, greenish, yellowish or grey' } }),
        ...(next && { next: { ...next, said: `${next.control}: ${turnWords(next.turn)}` } }),
        thought,
      };
    }
    const { done, next, left, trouble } = greyByMeter(problem.now, problem.touches);
    const differences = (bar: 'dark' | 'bright') => tintOf(problem.now[bar]);
    return {
      done,
      ...(next && { next: { ...next, ...(next.turn === undefined ? {} : { said: turnWords(next.turn) }) } }),
      left,
      trouble,
      noticeable: { dark: differences('dark'), bright: differences('bright') },
    };
  },
});
