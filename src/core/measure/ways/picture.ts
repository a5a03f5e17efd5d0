import { type Symptom, symptoms, symptomTitles } from '../../picture';
import { Refusal } from '../../quantity';
import { type ChoiceWay } from '../way';

const words = (text: string): string[] => text.toLowerCase().split(/[\s_,-]+/);
const called = new Map(symptoms.map((symptom) => [symptom, words(symptomTitles[symptom])] as const));

/** What a picture is called with which nothing is wrong. */
const calledRight = new Set(['right', 'good', 'ok', 'okay', 'fine', 'all right', 'cured']);

const symptomNamed = (word: string): Symptom | undefined =>
  symptoms.find((symptom) => symptom === word.toLowerCase().replaceAll('-', '_'));

/** The picture whose title has all these words in it. @throws Refusal where it is none, or one of several */
function symptomCalled(typed: readonly string[]): Symptom {
  const said = typed.join(' ');
  const wanted = words(said);
  if (calledRight.has(wanted.join(' '))) return 'normal';
  const whole = symptoms.find((symptom) => called.get(symptom)!.join() === wanted.join());
  if (whole) return whole;
  const found = symptoms.filter((symptom) => wanted.every((word) => called.get(symptom)!.includes(word)));
  if (found.length === 1) return found[0]!;
  if (found.length === 0)
    throw new Refusal(`"${said}" is no picture; say normal, dark, upper_dark, flood_green and so on`);
  const titles = found.map((symptom) => `“${symptomTitles[symptom]}”`).join(', ');
  throw new Refusal(`"${said}" may be ${titles}: say more of it`);
}

export const picture: ChoiceWay = {
  kind: 'picture',
  title: 'look at the picture',
  words: [],
  example: 'normal',
  state: 'live',
  miss: 0,
  choices: () => [],
  ofSet: ({ symptoms: shown, called }) => ({ kind: 'picture', symptoms: shown, ...(called && { called }) }),
  read(typed) {
    const named = typed.map(symptomNamed);
    return {
      kind: 'picture',
      symptoms: named.every((symptom) => symptom !== undefined) ? named : [symptomCalled(typed)],
    };
  },
};
