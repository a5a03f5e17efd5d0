// @vitest-environment happy-dom
import { predictionsOf } from '@/core/behaviour';
import { readingRows } from '@/core/job';
import { type LogEntry, replay } from '@/core/log';
import { act } from 'react';
import { createRoot } from 'react-dom/client';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { shippedSheets } from '@/sheets';
import { Readings } from './Readings';

const predictions = predictionsOf(shippedSheets().get('pellisar-tc-14')!);
vi.stubGlobal('IS_REACT_ACT_ENVIRONMENT', true);
const place = document.body.appendChild(document.createElement('div'));
const root = createRoot(place);

afterEach(() => act(() => root.render(null)));

/** The list after so many readings of the green cathode, each a volt more than the one before. */
function shown(count: number) {
  const log = Array.from({ length: count }, (_, at): LogEntry => ({
    id: `line-${at}`,
    at: '2026-03-01T10:00:00Z',
    body: { kind: 'reading', check: 'kg-dc', answer: { kind: 'number', value: 100 + at, shape: 'settled' }, text: '' },
  }));
  const bench = replay(log, []);
  const rows = readingRows({
    predictions,
    bench,
    complaint: { symptoms: [], signs: {} },
    closed: new Map(),
    hourlyRate: 20,
  });
  act(() => root.render(<Readings rows={rows} parts={[]} waiting={new Set()} bench={bench} onCorrect={() => {}} />));
  return [...place.querySelectorAll('li .figure:nth-child(3)')].map(({ textContent }) => textContent);
}

describe('the list of readings', () => {
  it('is whole, the newest on top, while it fills the screen', () => {
    expect(shown(12)).toHaveLength(12);
    expect(shown(12)[0]).toBe('111 V');
    expect(place.textContent).not.toContain('earlier');
  });

  it('has the earlier ones one press away', () => {
    expect(shown(15)).toHaveLength(12);
    const more = [...place.querySelectorAll('button')].find(({ textContent }) => textContent === '3 earlier')!;
    act(() => more.click());
    expect(shown(15)).toHaveLength(15);
    expect(shown(15).at(-1)).toBe('100 V');
  });
});
