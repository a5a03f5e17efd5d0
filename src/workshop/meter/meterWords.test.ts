import { describe, expect, it } from 'vitest';
import { MeterFeed } from '@/instruments';
import { meterWords } from './meterWords';

const lines = (count: number, line: (index: number) => string) => Array.from({ length: count }, (_, at) => line(at));
const after = (options: Partial<ConstructorParameters<typeof MeterFeed>[0]>, sent: readonly string[], lost = false) => {
  const feed = new MeterFeed({ patience: 0, ...options });
  for (const line of sent) feed.take(line);
  return meterWords({ ...feed.state, lost }, options.unit ?? 'V');
};
const at = (index: number, text: string) => `${(index / 10).toFixed(1)} ${text}`;

describe('how a meter stands', () => {
  it('waits while nothing has come, and while it settles', () => {
    expect(meterWords(undefined, 'V')).toMatchObject({ kind: 'waits', about: 'settles' });
    expect(
      after(
        {},
        lines(3, (index) => at(index, '12.1 V')),
      ),
    ).toMatchObject({ kind: 'waits', about: 'settles' });
  });

  it('is wrong where it is lost, set to another unit or beyond its range, with what to do', () => {
    expect(after({}, [at(0, '12 V')], true).text).toContain('Touch the point again');
    const unit = after(
      { unit: 'Ω' },
      lines(9, (index) => at(index, '12 V')),
    );
    expect(unit).toEqual({ kind: 'wrong', about: 'unit', text: 'set to V, and Ω is asked for: turn its dial' });
    const beyond = after(
      { unit: 'V', isOpen: () => false },
      lines(20, (index) => at(index, 'OL V 200')),
    );
    expect(beyond.text).toBe('beyond its range of 200 V, which is no reading here. Take a higher one');
  });

  it('says what it is doing, about one thing however the figures move', () => {
    const climb = (count: number) =>
      after(
        { unit: 'Ω' },
        lines(count, (index) => at(index, `${(9000 * (1 - Math.exp(-index / 50))).toFixed(1)} Ω`)),
      );
    expect(climb(60)).toMatchObject({ kind: 'doing', about: 'climbing' });
    expect(climb(60).about).toBe(climb(90).about);
    const lifted = after(
      { continuous: true },
      lines(20, (index) => at(index, '0.002 V')),
    );
    expect(lifted).toMatchObject({ kind: 'doing', about: 'lifted' });
    expect(after({}, [at(0, '12 V'), '###']).text).toMatch(/^one line was no reading: "###"/);
  });
});
