import { placed, Refusal } from '@/core/quantity';
import { readPart, readPlace, substitute as judge, supplyKinds, writePart } from '@/core/supply';
import { command } from './command';

const examples = Object.values(supplyKinds)
  .map(({ example }) => `"${example}"`)
  .join(', ');

export const substitute = command({
  name: 'substitute',
  takes: '"ORIGINAL" "CANDIDATE"',
  about: `Whether a part may stand for another, figure by figure. Parts are typed like ${examples}.`,
  options: {
    place: {
      takes: '"250 V peak 50 kHz 1.2 A"',
      about: 'what the place asks: volts, hertz, amperes, watts, room (12.5x25/5), retrace, regulator, mains and so on',
    },
  },
  answer(given) {
    const [original, candidate, ...more] = given.words;
    if (original === undefined || candidate === undefined || more.length > 0)
      throw new Refusal(
        'name two parts, each in quotes: first the one that sat there, then the one that may take its place',
      );
    const was = placed('the original', () => readPart(original));
    const is = placed('the candidate', () => readPart(candidate));
    const place = given.option('place');
    const judged = judge(was, is, place === undefined ? undefined : placed('the place', () => readPlace(place)));
    return {
      verdict: judged.verdict,
      original: { typed: original, read: writePart(was), kind: was.kind },
      candidate: { typed: candidate, read: writePart(is), kind: is.kind },
      ...(place === undefined ? {} : { place }),
      fields: judged.fields,
      alter: judged.alter,
    };
  },
});
