import { describe, expect, it } from 'vitest';
import { type Gun, type GunLine, type LogEntry } from '../../log';
import { seeded } from '../../statistics';
import { drawTube } from './drawnTube';
import { drawnBy, leftWhenStarved, shareGiven, starvedRatio } from './emission';
import { type GunReadings, judgeGuns, wornBelow } from './judge';
import { readGunLine } from './typed';
import { gunWalk } from './walk';
import { weaknesses } from './weakness';

const tube = (readings: Partial<Record<Gun, GunReadings>>) => new Map(Object.entries(readings) as [Gun, GunReadings][]);
const line = (body: Omit<GunLine, 'kind'>, at: string): LogEntry => ({
  id: `${at} ${body.gun} ${body.measure}`,
  at,
  body: { kind: 'gun', ...body },
});

describe('how a cathode gives current', () => {
  it('is bounded by space charge where there is plenty, and by the oxide where there is not', () => {
    expect(shareGiven(20)).toBeCloseTo(1, 2);
    expect(shareGiven(0.1)).toBeCloseTo(0.1, 2);
    expect(starvedRatio(20)).toBeGreaterThan(0.99);
    expect(starvedRatio(0.05)).toBeCloseTo(leftWhenStarved, 2);
    // Richardson at 1050 K and 1.05 eV, four percent cooler.
    expect(leftWhenStarved).toBeCloseTo(0.56, 2);
    expect(drawnBy(100)).toBeCloseTo(3000);
  });
});

describe('a tube’s guns', () => {
  it('are judged by one another: the odd one is worn, the others are not', () => {
    const judged = judgeGuns(
      tube({
        red: { emission: 900, cutOff: 110 },
        green: { emission: 3300, cutOff: 112 },
        blue: { emission: 3100, cutOff: 106 },
      }),
    );
    expect(judged.get('red')!.worn).toBeGreaterThan(0.97);
    expect(judged.get('green')!.worn).toBeLessThan(0.05);
    expect(judged.get('red')!.share.mid).toBeCloseTo(0.28, 1);
    expect(judged.get('red')!.signs.find(({ against }) => against === 'the strongest other gun')!.share).toBeCloseTo(
      0.28,
      1,
    );
  });

  it('that are low alike are told from a type that gives less by a tenth less heater', () => {
    const alike = { emission: 1500, cutOff: 110 };
    const unknown = judgeGuns(tube({ red: alike, green: alike, blue: alike }));
    const ratio = (of: number) =>
      judgeGuns(tube({ red: { ...alike, starved: 1500 * of }, green: alike, blue: alike })).get('red')!.worn;
    expect(unknown.get('red')!.worn).toBeGreaterThan(0.1);
    expect(ratio(0.97)).toBeLessThan(0.05);
    expect(ratio(0.6)).toBeGreaterThan(0.9);
  });

  it('that emit nothing are dead, whatever else they read', () => {
    const judged = judgeGuns(
      tube({ red: { emission: 0, starved: 0 }, green: { emission: 3000 }, blue: { emission: 2900 } }),
    );
    expect(judged.get('red')!.worn).toBeGreaterThan(0.99);
    expect(judged.get('red')!.share.high).toBeLessThan(0.1);
    expect(judged.get('green')!.worn).toBeLessThan(0.1);
  });

  it('are held against a good tube of the type', () => {
    const one = tube({ only: { emission: 800 } });
    expect(judgeGuns(one, { good: 2000 }).get('only')!.worn).toBeGreaterThan(0.9);
    expect(judgeGuns(one, { good: 820 }).get('only')!.worn).toBeLessThan(0.1);
  });

  it('are called worn rightly, and nine shares in ten lie where it says', () => {
    let [claimed, right, worn, found, inside, all] = [0, 0, 0, 0, 0, 0];
    for (let seed = 1; seed <= 200; seed += 1) {
      const drawn = drawTube(seeded(seed));
      for (const [gun, { share, worn: chance }] of judgeGuns(drawn.tube, { good: drawn.good })) {
        const truth = drawn.shares.get(gun)!;
        const isWorn = truth < wornBelow;
        all += 1;
        worn += Number(isWorn);
        claimed += Number(chance >= 0.9);
        right += Number(chance >= 0.9 && isWorn);
        found += Number(chance >= 0.5 && isWorn);
        inside += Number(truth > share.low * 0.98 && truth < share.high * 1.02);
      }
    }
    expect(right / claimed).toBeGreaterThan(0.97);
    expect(found / worn).toBeGreaterThan(0.93);
    expect(inside / all).toBeGreaterThan(0.9);
  });
});

describe('driver or tube', () => {
  const good = { share: 0.98, cutOff: 110, cathode: 60 };
  it('takes a weak colour apart into its gun and its drive', () => {
    const byDrive = weaknesses(
      new Map<Gun, typeof good>([
        ['red', { ...good, cathode: 85 }],
        ['green', good],
        ['blue', good],
      ]),
    );
    expect(byDrive.find(({ gun }) => gun === 'red')).toMatchObject({ because: 'the drive' });
    expect(byDrive.find(({ gun }) => gun === 'red')!.byDrive).toBeCloseTo((25 / 50) ** 2.4, 2);
    const byGun = weaknesses(
      new Map<Gun, typeof good>([
        ['red', { ...good, share: 0.4 }],
        ['green', good],
        ['blue', good],
      ]),
    );
    expect(byGun.find(({ gun }) => gun === 'red')).toMatchObject({ because: 'the gun' });
    expect(byGun.filter(({ gun }) => gun !== 'red').every(({ because }) => because === undefined)).toBe(true);
  });
});

describe('the test of a tube', () => {
  const guns = ['red', 'green', 'blue'] as const;
  const test = (day: string, red: number): LogEntry[] => [
    line({ gun: 'red', measure: 'emission', value: red, settings: '6.3 V' }, `${day}T10:00:00.000Z`),
    line({ gun: 'green', measure: 'emission', value: 3000, settings: '6.3 V' }, `${day}T10:02:00.000Z`),
    line({ gun: 'blue', measure: 'emission', value: 3100, settings: '6.3 V' }, `${day}T10:04:00.000Z`),
  ];
  const cutOffs = (day: string) =>
    guns.map((gun) => line({ gun, measure: 'cutOff', value: 100, settings: '6.3 V' }, `${day}T10:06:00.000Z`));

  it('asks for emission and cut-off of each, then for more only where it doubts', () => {
    expect(gunWalk(guns, []).next).toEqual({ gun: 'red', measure: 'emission' });
    expect(gunWalk(guns, test('2026-03-01', 2900)).next).toEqual({ gun: 'red', measure: 'cutOff' });
    expect(gunWalk(guns, [...test('2026-03-01', 2900), ...cutOffs('2026-03-01')]).next).toBeUndefined();
    // Of a gun that emits nothing nothing else can be measured.
    expect(gunWalk(guns, test('2026-03-01', 0)).next).toEqual({ gun: 'green', measure: 'cutOff' });
    const doubtful = [...test('2026-03-01', 2000), ...cutOffs('2026-03-01')];
    expect(gunWalk(guns, doubtful).next).toEqual({ gun: 'red', measure: 'starved' });
  });

  it('holds a gun against its own past at the same settings', () => {
    const { past, judged } = gunWalk(guns, [...test('2026-03-01', 2900), ...test('2026-09-01', 1450)]);
    expect(past.get('red')!.kept).toBeCloseTo(0.5);
    expect(judged.get('red')!.worn).toBeGreaterThan(0.9);
    const otherwise = gunWalk(guns, [
      ...test('2026-03-01', 2900),
      line({ gun: 'red', measure: 'emission', value: 1450, settings: '5.7 V' }, '2026-09-01T10:00:00.000Z'),
    ]);
    expect(otherwise.past.size).toBe(0);
  });

  it('reads a value, another gun, another measure, and says what would be right', () => {
    const asked = { gun: 'red', measure: 'emission' } as const;
    expect(readGunLine('620', asked, guns)).toEqual({ gun: 'red', measure: 'emission', value: 620 });
    expect(readGunLine('1.2 mA', asked, guns)).toEqual({ gun: 'red', measure: 'emission', value: 1200 });
    expect(readGunLine('green cutoff 118 V', asked, guns)).toEqual({ gun: 'green', measure: 'cutOff', value: 118 });
    expect(readGunLine('good 900', asked, guns)).toEqual({ gun: 'good', measure: 'emission', value: 900 });
    expect(() => readGunLine('620 V', asked, guns)).toThrow('in µA, like 620');
    expect(readGunLine('0', asked, guns).value).toBe(0);
    expect(() => readGunLine('-3', asked, guns)).toThrow('in µA');
    expect(() => readGunLine('blue cutoff 0', asked, guns)).toThrow('in V');
    expect(() => readGunLine('red', asked, guns)).toThrow('red 620');
  });
});
