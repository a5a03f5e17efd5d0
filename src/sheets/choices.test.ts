import { describe, expect, it } from 'vitest';
import { lintSheet, readSheet } from '@/core/sheet';
import { shippedSheets, shippedTexts } from '.';
import { netlistOf } from './stages';

const withChoice = (id: string, choices: Readonly<Record<string, string>>) =>
  readSheet(shippedTexts().get(id)!, { textOf: (base) => shippedTexts().get(base), netlistOf, choices });

/** Sheets with a choice of each option: every choice is made at least once, beside changing choices of the others. */
const combinations = [...shippedSheets().values()].flatMap(({ id, options }) => {
  const most = Math.max(0, ...options.map(({ choices }) => choices.length));
  const made = Array.from({ length: most }, (_, turn) => [turn, turn + 1] as const).flatMap(([turn, shifted]) =>
    [0, 1].map((step) =>
      Object.fromEntries(
        options.map(({ id: option, choices }, at) => [
          option,
          choices[(step === 0 ? turn : shifted + at) % choices.length]!.id,
        ]),
      ),
    ),
  );
  return [...new Map(made.map((choices) => [JSON.stringify(choices), choices])).values()].map(
    (choices) => [id, Object.values(choices).join(', '), choices] as const,
  );
});
const plain = new Map<string, readonly string[]>();
const warningsOf = (id: string, choices: Readonly<Record<string, string>>) =>
  lintSheet(withChoice(id, choices)).map(({ message }) => message);

describe('what is chosen of a set', () => {
  it.each(combinations)('%s with %s is a whole sheet', (id, _, choices) => {
    if (!plain.has(id)) plain.set(id, warningsOf(id, {}));
    expect(warningsOf(id, choices)).toEqual(plain.get(id));
  });

  it('a field output has either a minus supply or a coupling capacitor, never both', () => {
    for (const id of ['generic-crt-colour', 'generic-crt-mono', 'generic-crt-monitor', 'generic-projection-tubes'])
      for (const field of ['both', 'single']) {
        const { nets, parts } = withChoice(id, { field });
        expect([nets.has('vneg'), parts.has('V-COUP')]).toEqual([field === 'both', field === 'single']);
      }
  });
});
