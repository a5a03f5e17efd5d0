import { type Expectation, type Answer } from '../measure';
import { symptoms } from '../picture';
import { drawn, gaussian, type Random } from '../statistics';

/**
 * What a meter, an eye or an ear reports of a set with the given expectation.
 *
 * @param noise relative standard deviation of a numeric reading
 */
export function answerFrom(expectation: Expectation, noise: number, random: Random): Answer {
  switch (expectation.kind) {
    case 'number': {
      const component = drawn(expectation.components, ({ chance }) => chance, random);
      return { kind: 'number', value: component.value * (1 + noise * gaussian(random)), shape: component.shape };
    }
    case 'choice':
      return { kind: 'choice', choice: drawn([...expectation.chances], ([, chance]) => chance, random)[0] };
    case 'picture':
      return { kind: 'picture', symptoms: [...expectation.symptoms] };
  }
}

/** An answer spoilt by a slip: a factor of ten, a lead that was off, another word, another picture. */
export function misread(answer: Answer, expectation: Expectation, random: Random): Answer {
  switch (answer.kind) {
    case 'number': {
      const slips = [answer.value * 10, answer.value / 10, 0, answer.value * (0.5 + random())];
      return { ...answer, value: slips[Math.floor(random() * slips.length)]! };
    }
    case 'choice': {
      const others =
        expectation.kind === 'choice' ? [...expectation.chances.keys()].filter((word) => word !== answer.choice) : [];
      return others.length > 0 ? { ...answer, choice: others[Math.floor(random() * others.length)]! } : answer;
    }
    case 'picture':
      return { kind: 'picture', symptoms: [symptoms[Math.floor(random() * symptoms.length)]!] };
  }
}
