import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readPart, type SupplyKind, supplyKinds, writePart } from '..';

/** Figures of every kind as they may be typed, any of them left out. */
const typed = fc.constantFrom(...(Object.keys(supplyKinds) as SupplyKind[])).chain((kind) => {
  const { words, figures } = supplyKinds[kind];
  const examples = Object.values(figures).map(({ example }) => example.split(', ')[0]!);
  return fc
    .subarray(examples, { minLength: 1 })
    .chain((chosen) => fc.shuffledSubarray(chosen, { minLength: chosen.length }))
    .map((chosen) => ({ kind, text: [words[0]!.toUpperCase(), ...chosen].join(' '), figures: chosen.length }));
});

describe('any part of any kind', () => {
  it('is read whatever the order of its figures, and reads the same as it is written', () => {
    fc.assert(
      fc.property(typed, ({ kind, text, figures }) => {
        const part = readPart(text);
        expect(part.kind).toBe(kind);
        expect(Object.keys(part.figures)).toHaveLength(figures);
        expect(readPart(writePart(part))).toEqual(part);
      }),
      { numRuns: 400 },
    );
  });

  it('is read from anything or refused in one sentence', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 60 }), (text) => {
        try {
          readPart(text);
        } catch (error) {
          expect((error as Error).name).toBe('Refusal');
          expect((error as Error).message.length).toBeGreaterThan(10);
        }
      }),
    );
  });
});
