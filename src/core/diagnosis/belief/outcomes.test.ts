import { classify } from '../../measure';
import { describe, expect, it } from 'vitest';
import { shippedSheets } from '@/sheets';
import { compileSheet, liveCold, Predictions, type Context } from '../../behaviour';
import { seeded } from '../../statistics';
import { answerFrom } from '../../practice';
import { likelihood } from './likelihood';
import { outcomesOf } from './outcomes';

const cold: Context = { ...liveCold, power: 'proven' };

describe.each(
  [...shippedSheets().values()].map((sheet) => [sheet.title, new Predictions(compileSheet(sheet))] as const),
)('classes of answers of %s', (_, predictions) => {
  const faults = [...predictions.model.sheet.faults.values()];
  const contextOf = (state: 'live' | 'cold') => (state === 'live' ? liveCold : cold);

  it('have chances that sum to one for every check and fault', () => {
    for (const check of predictions.checks.values()) {
      const { kinds, outcomes } = outcomesOf(
        predictions,
        check,
        contextOf(check.state),
        faults.map((fault) => [fault]),
      );
      faults.forEach((fault, index) => {
        const sum = outcomes.reduce((all, { chances }) => all + chances[kinds[index]!]!, 0);
        expect(sum, `${check.id} under ${fault.id}`).toBeCloseTo(1, 6);
      });
    }
  });

  it('agree with what simulated meters show: the chance of a class is how often it is read', () => {
    const random = seeded(11);
    const draws = 300;
    for (const id of ['picture', ...[...predictions.checks.keys()].slice(0, 6)]) {
      const check = predictions.checks.get(id)!;
      const context = contextOf(check.state);
      const standard = predictions.standard(check, context);
      if (standard.kind !== 'number') continue;
      const { kinds, outcomes } = outcomesOf(
        predictions,
        check,
        context,
        faults.map((fault) => [fault]),
      );
      for (const index of [0, 7, 19]) {
        const read = new Map<string, number>();
        for (let draw = 0; draw < draws; draw += 1) {
          const answer = answerFrom(predictions.expectation(faults[index]!, check, context), 0.002, random);
          const name = answer.kind === 'number' ? classify(standard, answer.value, answer.shape) : '';
          read.set(name, (read.get(name) ?? 0) + 1 / draws);
        }
        const planned = outcomes.reduce((best, one) =>
          one.chances[kinds[index]!]! > best.chances[kinds[index]!]! ? one : best,
        ).name;
        expect(read.get(planned) ?? 0, `${check.id} under ${faults[index]!.id}: ${planned}`).toBeGreaterThan(0.4);
      }
    }
  });

  it('make the true fault likelier than a good set for what it shows', () => {
    const random = seeded(5);
    const check = predictions.checks.get('picture')!;
    const standard = predictions.standard(check, liveCold);
    const shown = faults.filter((fault) => {
      const answer = answerFrom(predictions.expectation(fault, check, liveCold), 0, random);
      return (
        likelihood(answer, predictions.expectation(fault, check, liveCold), standard) >=
        likelihood(answer, predictions.expectation(undefined, check, liveCold), standard)
      );
    });
    expect(shown).toHaveLength(faults.length);
  });

  it('know a good set', () => {
    const check = predictions.checks.get('picture')!;
    const {
      kinds: [good],
      outcomes,
    } = outcomesOf(predictions, check, liveCold, [[]]);
    const likeliest = outcomes.reduce((best, one) => (one.chances[good!]! > best.chances[good!]! ? one : best));
    expect(likeliest.name).toBe('Picture right');
  });
});
