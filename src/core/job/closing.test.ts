import { describe, expect, it } from 'vitest';
import { shippedSheets } from '@/sheets';
import { liveCold } from '../behaviour';
import { countedAs, leftUndone } from '.';

const sheet = shippedSheets().get('pellisar-tc-14')!;

describe('what a cause is counted as', () => {
  it.each([...sheet.faults.values()].map((fault) => [fault.title, fault.id] as const))('%s', (title, id) => {
    // Two faults of one title cannot be told by it.
    const alike = [...sheet.faults.values()].filter((fault) => fault.title === title).map((fault) => fault.id);
    expect(alike.length > 1 ? alike : [id]).toContain(countedAs(title, sheet)?.id);
  });

  it.each([
    ['C421 dry', 'C421.dry'],
    ['it was C421, dry as dust', 'C421.dry'],
    ['Q402.short', 'Q402.short'],
    ['OC801', undefined],
    ['a mouse', undefined],
    ['', undefined],
  ])('"%s": %s', (cause, id) => {
    expect(countedAs(cause, sheet)?.id).toBe(id);
  });
});

describe('what is left undone', () => {
  it('is every change made for a try, the lamp among them', () => {
    expect(
      leftUndone({ context: { ...liveCold, lamp: true, unplugged: ['LK401'], lifted: ['R421'], bridged: ['R801'] } }),
    ).toEqual(['LK401 pulled', 'R421 lifted', 'R801 bridged', 'series lamp in']);
    expect(leftUndone({ context: liveCold })).toEqual([]);
  });
});
