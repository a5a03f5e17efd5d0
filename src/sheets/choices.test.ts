import { describe, expect, it } from 'vitest';
import { lintSheet, readSheet } from '@/core/sheet';
import { shippedSheets, shippedTexts } from '.';
import { netlistOf } from './stages';

const withChoice = (id: string, choices: Readonly<Record<string, string>>) =>
  readSheet(shippedTexts().get(id)!, { textOf: (base) => shippedTexts().get(base), netlistOf, choices });

const everyChoice = [...shippedSheets().values()].flatMap(({ id, options }) =>
  options.flatMap((option) => option.choices.map((choice) => [id, option.id, choice.id] as const)),
);

describe('what is chosen of a set', () => {
  it.each(everyChoice)('%s with %s %s is a whole sheet', (id, option, choice) => {
    expect(lintSheet(withChoice(id, { [option]: choice })).map(({ message }) => message)).toEqual(
      lintSheet(withChoice(id, {})).map(({ message }) => message),
    );
  });

  it('a field output has either a minus supply or a coupling capacitor, never both', () => {
    for (const id of ['generic-crt-colour', 'generic-crt-mono', 'generic-crt-monitor', 'generic-projection-tubes'])
      for (const field of ['both', 'single']) {
        const { nets, parts } = withChoice(id, { field });
        expect([nets.has('vneg'), parts.has('V-COUP')]).toEqual([field === 'both', field === 'single']);
      }
  });
});
