import { expect, it, vi } from 'vitest';
import { Keeper } from './keeper';

it('works out anew only what came from something else, and forgets what was not asked for longest', async () => {
  const keeper = new Keeper<number>();
  const work = vi.fn(() => work.mock.calls.length);
  const sheet = {};
  expect(await keeper.get('a', [sheet, 3], work)).toBe(1);
  expect(await keeper.get('a', [sheet, 3], work)).toBe(1);
  expect(await keeper.get('a', [sheet, 4], work)).toBe(2);
  expect(await keeper.get('a', [{}, 4], work)).toBe(3);
  expect(await keeper.get('a', [], work)).toBe(4);
  for (let other = 0; other < 99; other += 1) await keeper.get(`other ${other}`, [], work);
  expect(await keeper.get('a', [], work)).toBe(4);
  for (let other = 0; other < 100; other += 1) await keeper.get(`later ${other}`, [], work);
  expect(await keeper.get('a', [], work)).not.toBe(4);
});
