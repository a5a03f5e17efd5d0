import { describe, expect, it } from 'vitest';
import { Stage } from '@/core/circuit';
import { shippedStages } from '@/sheets/stages';
import { layoutLadder, scaleFor, size } from './ladderLayout';

const ladders = shippedStages().map(({ id, text }) => {
  return [id, Stage.open(text)] as const;
});

describe('the ladder of a shipped stage', () => {
  it.each(ladders)('%s stands within its frame, higher volts higher', (_, { ladder }) => {
    const { named, hanging, y } = layoutLadder(ladder, new Map(), scaleFor(ladder, new Map(), undefined));
    for (const { rung, level, left, right } of named) {
      expect(level).toBeGreaterThanOrEqual(size.top - 1);
      expect(level).toBeLessThanOrEqual(size.height - size.bottom + 1);
      expect(left).toBeGreaterThanOrEqual(size.left - 1);
      expect(right).toBeLessThanOrEqual(size.width);
      expect(level).toBeCloseTo(y(rung.volts), 6);
    }
    const byVolts = [...named].sort((a, b) => a.rung.volts - b.rung.volts);
    byVolts.slice(1).forEach(({ level }, index) => expect(level).toBeLessThanOrEqual(byVolts[index]!.level + 1e-9));
    for (const { ends, box } of hanging) {
      expect(box.x).toBeGreaterThan(size.left - 20);
      for (const end of ends) expect(Number.isFinite(end)).toBe(true);
    }
  });

  it.each(ladders)('%s has nearly all its names where nothing else lies', (_, { ladder }) => {
    const { named, hanging } = layoutLadder(ladder, new Map(), scaleFor(ladder, new Map(), undefined));
    const boxes = [...named.map(({ label }) => label), ...hanging.map(({ box }) => box)];
    const overlapping = boxes.filter((one, index) =>
      boxes.some(
        (other, at) =>
          at !== index &&
          Math.abs(one.x - other.x) < one.half + other.half &&
          Math.abs(one.y - other.y) < one.tall + other.tall,
      ),
    );
    expect(overlapping.length / boxes.length).toBeLessThan(0.2);
  });
});

describe('the scale of a ladder', () => {
  const [, { ladder }] = ladders.find(([id]) => id === 'neck-driver')!;
  const still = scaleFor(ladder, new Map(), undefined);

  it('stands still for a try that stays within it', () => {
    expect(scaleFor(ladder, new Map(), new Map([['c', 60]]))).toEqual(still);
  });

  it('grows by whole steps for one that leaves it, and covers it', () => {
    const one = scaleFor(ladder, new Map(), new Map([['c', 300]]));
    const other = scaleFor(ladder, new Map(), new Map([['c', 310]]));
    expect(one.high).toBeGreaterThan(still.high);
    expect(other).toEqual(one);
    expect(layoutLadder(ladder, new Map(), one).y(300)).toBeGreaterThanOrEqual(size.top - 1);
  });

  it('takes in what was measured', () => {
    const { low } = scaleFor(ladder, new Map([['c', -40]]), undefined);
    expect(low).toBeLessThan(still.low);
    const { named } = layoutLadder(ladder, new Map([['c', -40]]), { low, high: still.high });
    expect(named.find(({ rung }) => rung.node === 'c')).toMatchObject({ read: -40, mark: 'low', text: 'c -40' });
  });
});
