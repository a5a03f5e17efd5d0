import { describe, expect, it } from 'vitest';
import { standing } from '../../../tests/fixtures/standing';
import { inOrder, roomTable } from './roomModel';

describe('what a teacher sees of a class', () => {
  const all = [
    standing('still at it', { acts: 3 }),
    standing('slow', { ended: 'cured', minutes: 40, lost: 12.25, planner: 20 }),
    standing('gave up', { ended: 'given up', minutes: 5 }),
    standing('=quick()', { ended: 'cured', minutes: 22 }),
    standing('busy', { acts: 9 }),
  ];

  it('is who cured it, the quickest first, then who is at it, then who is not any more', () => {
    expect(inOrder(all).map(({ name }) => name)).toEqual(['=quick()', 'slow', 'busy', 'still at it', 'gave up']);
  });

  it('is a table that no spreadsheet takes for a formula', () => {
    expect(roomTable(all).split('\n').slice(0, 3)).toEqual([
      'name,ended,acts,minutes,harm,planner,lost',
      'still at it,,3,4,0,,',
      'slow,cured,1,40,0,20,12.3',
    ]);
    expect(roomTable(all)).toContain("'=quick()");
  });
});
