import { expect, it } from 'vitest';
import { Recent } from '.';

it('keeps so many, and lets go what was not asked for longest', () => {
  const recent = new Recent<string, number>(2);
  recent.set('a', 1);
  recent.set('b', 2);
  expect(recent.get('a')).toBe(1);
  recent.set('c', 3);
  expect(['a', 'b', 'c'].map((key) => recent.get(key))).toEqual([1, undefined, 3]);
  recent.set('a', 4);
  expect(recent.get('a')).toBe(4);
});
