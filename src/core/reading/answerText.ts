import { type Answer } from '../measure';
import { type Check } from '../behaviour';
import { formatQuantity } from '../quantity';
import { symptomTitles } from '../picture';

/** An answer in words and figures: `-121.4 V`, `186 V, then gone`, `weak`, `Upper half dark`. */
export function answerText(check: Check, answer: Answer): string {
  switch (answer.kind) {
    case 'number': {
      const value = formatQuantity(answer.value, check.unit, check.unit === 'V' ? 4 : 3);
      return answer.shape === 'brief' ? `${value}, then gone` : value;
    }
    case 'choice':
      return answer.choice;
    case 'picture':
      return answer.symptoms.map((symptom) => symptomTitles[symptom]).join(', ');
  }
}
