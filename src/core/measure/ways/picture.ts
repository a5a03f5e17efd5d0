import { type Symptom, symptoms, symptomTitles } from '../../picture';
import { Refusal } from '../../quantity';
import { type ChoiceWay } from '../way';

function readSymptom(word: string): Symptom {
  const plain = word.toLowerCase().replaceAll('-', '_');
  const found = symptoms.find(
    (symptom) => symptom === plain || symptomTitles[symptom].toLowerCase().replaceAll(' ', '_') === plain,
  );
  if (!found) throw new Refusal(`"${word}" is no picture; say normal, dark, upper_dark, flood_green and so on`);
  return found;
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
  read: (words) => ({ kind: 'picture', symptoms: words.map(readSymptom) }),
};
