import { sumOf } from '../../statistics';
import { visibility } from '../../parts';
import { Refusal } from '../../quantity';
import { choice } from '../expectation';
import { type ChoiceWay } from '../way';

/** Answer of a look that finds nothing. */
export const nothingSeen = 'fine';
/** Chance of marking a good part as bad by looks. */
const falseAlarm = 0.03;
const words = new Set([nothingSeen, 'ok', 'nothing', 'none', 'no']);
/** What is said of a part that is looked at alone. */
const damage = new Set(
  'bad burnt burned scorched cracked broken blown bulged swollen leaking missing loose dirty'.split(' '),
);

export const look: ChoiceWay = {
  kind: 'choice',
  title: 'look',
  words: ['look'],
  example: nothingSeen,
  state: 'cold',
  miss: 0.25,
  ofPlace: true,
  partByPart: true,
  findsIntermittents: true,
  onceOnly: true,
  choices: (parts) => [nothingSeen, ...parts],
  ofParts(parts, miss) {
    const bad = parts.find(({ fault }) => fault);
    const seen = bad?.fault ? visibility(bad.kind, bad.fault.mode) * (1 - miss) : 0;
    const others = falseAlarm / parts.length;
    const chances = parts.map((part): [string, number] => [part.id, part === bad ? seen : (1 - seen) * others]);
    const left = 1 - sumOf(chances, ([, chance]) => chance);
    return choice([nothingSeen, left], ...chances);
  },
  read([word = ''], { title, parts, isPart }) {
    const plain = word.toLowerCase();
    if (words.has(plain)) return { kind: 'choice', choice: nothingSeen };
    const [only, ...others] = parts;
    const part = others.length === 0 && damage.has(plain) ? only : parts.find((id) => id.toLowerCase() === plain);
    if (part !== undefined) return { kind: 'choice', choice: part };
    throw new Refusal(
      `${title} ${isPart(plain) ? `does not take in ${word}` : `knows no "${word}"`}: answer ${nothingSeen} or ${others.length === 0 ? 'bad' : `one of ${parts.join(', ')}`}`,
    );
  },
};
