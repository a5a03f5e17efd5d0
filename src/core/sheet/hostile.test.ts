import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { compileSheet } from '../behaviour';
import { readSheet, SheetError } from '.';
import { smallSheet } from '../../../tests/fixtures/smallSheet';

const lines = smallSheet.split('\n');
const junk = ['null', '[]', '{', '}', '-1', '1e999', 'ohms', '""', '*', '&a', '<<', '12 V', 'true', '....', '☃', '0R0'];

/** What a slip of the hand, a bad merge or a malicious file makes of a sheet. */
const damage = fc.oneof(
  fc.record({ kind: fc.constant('drop' as const), at: fc.nat(lines.length - 1) }),
  fc.record({ kind: fc.constant('twice' as const), at: fc.nat(lines.length - 1) }),
  fc.record({ kind: fc.constant('indent' as const), at: fc.nat(lines.length - 1) }),
  fc.record({
    kind: fc.constant('word' as const),
    at: fc.nat(lines.length - 1),
    word: fc.nat(12),
    by: fc.oneof(fc.constantFrom(...junk), fc.string({ maxLength: 6 })),
  }),
  fc.record({ kind: fc.constant('cut' as const), at: fc.nat(lines.length - 1) }),
);
type Damage = typeof damage extends fc.Arbitrary<infer D> ? D : never;

function damaged(text: readonly string[], harm: Damage): string[] {
  const at = Math.min(harm.at, text.length - 1);
  const line = text[at] ?? '';
  switch (harm.kind) {
    case 'drop':
      return [...text.slice(0, at), ...text.slice(at + 1)];
    case 'twice':
      return [...text.slice(0, at), line, ...text.slice(at)];
    case 'indent':
      return [...text.slice(0, at), `  ${line}`, ...text.slice(at + 1)];
    case 'cut':
      return text.slice(0, at);
    case 'word': {
      const words = line.split(/(?<=[\s,:[\]{}])/);
      words[harm.word % words.length] = harm.by;
      return [...text.slice(0, at), words.join(''), ...text.slice(at + 1)];
    }
  }
}

describe('a damaged sheet', () => {
  it('is read, or refused with the line and what would be right; nothing else happens', () => {
    fc.assert(
      fc.property(fc.array(damage, { minLength: 1, maxLength: 3 }), (harms) => {
        const text = harms.reduce<string[]>(damaged, lines);
        try {
          // What is read must also compile: a sheet that opens but cannot be simulated is no sheet.
          compileSheet(readSheet(text.join('\n')));
        } catch (error) {
          if (!(error instanceof SheetError)) throw error;
          expect(error.problems.length).toBeGreaterThan(0);
          for (const { line, message } of error.problems) {
            expect(line).toBeGreaterThanOrEqual(1);
            expect(line).toBeLessThanOrEqual(text.length + 1);
            expect(message.length).toBeGreaterThan(5);
          }
        }
      }),
      { numRuns: 600 },
    );
  });
});
