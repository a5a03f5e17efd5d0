import { describe, expect, it } from 'vitest';
import { shippedSheets } from '@/sheets';
import { openSheet, sheetOfText, sheetText } from '.';

describe('a sheet as text', () => {
  it.each([...shippedSheets().values()].map((sheet) => [sheet.title, sheet] as const))(
    'is opened as it was, and carries only what it lists: %s',
    (_, sheet) => {
      const opened = openSheet(sheet);
      const text = sheetText(opened);
      expect(sheetOfText(text)).toEqual(opened);
      expect(text).toBe(sheetText(sheet));
    },
  );

  it('is read once, however often it is sent', () => {
    const text = sheetText(openSheet([...shippedSheets().values()][0]!));
    expect(sheetOfText(`${text} `.slice(0, -1))).toBe(sheetOfText(text));
  });
});
