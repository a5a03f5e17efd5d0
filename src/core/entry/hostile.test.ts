import { readEntry, readRefinement } from '.';
import { Refusal } from '../quantity';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { compileSheet, Predictions } from '../behaviour';
import { shippedSheets } from '@/sheets';

const predictions = new Predictions(compileSheet(shippedSheets().get('halvane-hp-42')!));
const { sheet } = predictions.model;
const { checks } = predictions;
const names = [...[...checks.values()].flatMap(({ id, aliases }) => [id, ...aliases]), ...sheet.parts.keys()];
const words = [
  'esr',
  'ohms',
  'brief',
  'OL',
  '4k7',
  '-',
  '1e999',
  'unplug',
  'lamp',
  'in',
  'look',
  'new',
  'learn',
  '=',
  '☃',
];
/** Lines as a slip makes them: words of the language in any order, among others. */
const line = fc
  .array(fc.oneof(fc.constantFrom(...names), fc.constantFrom(...words), fc.string({ maxLength: 8 })), { maxLength: 5 })
  .map((typed) => typed.join(' '));

describe('whatever is typed', () => {
  it('is a line of the log, or refused with what would be right', () => {
    fc.assert(
      fc.property(line, fc.option(fc.constantFrom(...checks.values())), (typed, focus) => {
        try {
          const entry = readEntry(typed, { sheet, checks, focus: focus ?? undefined });
          if (entry.kind === 'reading' && entry.answer.kind === 'number') expect(entry.answer.value).not.toBeNaN();
        } catch (error) {
          if (!(error instanceof Refusal)) throw error;
          expect(error.message.length).toBeGreaterThan(8);
        }
      }),
      { numRuns: 1500 },
    );
  });

  it('is a refinement of the sheet, none, or refused', () => {
    fc.assert(
      fc.property(line, (rest) => {
        for (const typed of [rest, `new ${rest}`, `learn ${rest}`])
          try {
            readRefinement(typed, { sheet, checks });
          } catch (error) {
            if (!(error instanceof Refusal)) throw error;
          }
      }),
      { numRuns: 500 },
    );
  });
});
