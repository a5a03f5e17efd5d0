import { placed, Refusal } from '@/core/quantity';
import {
  bestBasket,
  patienceOf,
  planHarvest,
  readBasket,
  readHarvest,
  readPart,
  readPlace,
  substitute as judge,
  supplyKinds,
  writePart,
} from '@/core/supply';
import { command } from './command';
import { readText } from './files';

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

function fileNamed(words: readonly string[], what: string): { readonly file: string; readonly text: string } {
  const [file] = words;
  if (file === undefined || words.length > 1) throw new Refusal(`name one file: ${what}`);
  return { file, text: readText(file) };
}

export const basket = command({
  name: 'basket',
  takes: 'FILE',
  about:
    'Which supplier for which line at least total cost: { lines: [{ id, needs, by? }], suppliers: [{ id, postage, freeFrom?, minimum?, days, offers: [{ line, price or breaks, stock?, days? }] }] }.',
  options: { days: { takes: 'N', about: 'all has to be there in so many days' } },
  async answer(given) {
    const { file, text } = fileNamed(given.words, 'what is needed and who offers it');
    const days = Number(given.option('days') ?? Infinity);
    if (!(days >= 0)) throw new Refusal(`--days is a number from 0 on, not "${given.option('days')}"`);
    const problem = placed(file, () => readBasket(text));
    return { ...(await bestBasket(problem, days)), patience: await patienceOf(problem) };
  },
});

export const harvest = command({
  name: 'harvest',
  takes: 'FILE',
  about:
    'What to take from a donor in the time there is: { minutes, hour?, boards: [{ id, minutes }], parts: [{ id, board?, count?, minutes, survives?, demand, worth, shelf?, sale? }] }.',
  answer({ words }) {
    const { file, text } = fileNamed(words, 'a donor with its parts');
    return planHarvest(placed(file, () => readHarvest(text)));
  },
});
