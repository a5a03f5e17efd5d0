import { Refusal } from '../quantity';
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { checkCircuit, NoConvergence, operatingPoint, readNetlist, System } from '.';

const folder = path.join(process.cwd(), 'src', 'sheets', 'stages');
const netlists = readdirSync(folder)
  .filter((name) => name.endsWith('.cir'))
  .map((name) => readFileSync(path.join(folder, name), 'utf8').split('\n'));

const junk = ['0', '-1', '1e999', '1e-999', '{', '}', '(', '=', '{1/0}', '.ends', '.subckt', 'x', '+', '*', 'nan', '☃'];

describe('a damaged netlist', () => {
  it('is solved, found without a solution, or refused with the line; nothing else happens', () => {
    fc.assert(
      fc.property(
        fc.nat(netlists.length - 1),
        fc.array(
          fc.record({
            at: fc.nat(200),
            word: fc.nat(8),
            by: fc.oneof(fc.constantFrom(...junk), fc.string({ maxLength: 5 })),
            drop: fc.boolean(),
          }),
          { minLength: 1, maxLength: 4 },
        ),
        (which, harms) => {
          const text = [...netlists[which]!];
          for (const { at, word, by, drop } of harms) {
            const line = at % text.length;
            const words = text[line]!.split(' ');
            words[word % words.length] = by;
            if (drop) text.splice(line, 1);
            else text[line] = words.join(' ');
          }
          try {
            const circuit = readNetlist(text.join('\n'));
            checkCircuit(circuit);
            const point = operatingPoint(new System(circuit));
            expect([...point].every(Number.isFinite)).toBe(true);
          } catch (error) {
            if (error instanceof NoConvergence) return;
            if (!(error instanceof Refusal)) throw error;
            expect(error.at.line).toBeGreaterThanOrEqual(1);
            expect(error.at.line).toBeLessThanOrEqual(text.length);
          }
        },
      ),
      { numRuns: 500 },
    );
  });
});
