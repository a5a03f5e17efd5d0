import { describe, expect, it } from 'vitest';
import { type Exercise } from '@/core/practice';
import { seeded } from '@/core/statistics';
import { standing } from '../../../tests/fixtures/standing';
import { mostPupils, mostRooms, Rooms } from './rooms';

const exercise: Exercise = {
  title: 'One for all',
  sheet: 'generic-crt-mono',
  fault: undefined,
  seed: 3,
  world: 'one',
  minutes: undefined,
  hints: undefined,
};
const hall = (clock = { now: 0 }) => new Rooms(() => clock.now, seeded(4));

describe('rooms for a class', () => {
  it('are joined by their code, however it is typed, and seen by who opened them alone', () => {
    const rooms = hall();
    const code = rooms.open('teacher-1', exercise, 2);
    expect(code).toMatch(/^[A-Z3-7]{5}$/);
    expect(rooms.exerciseIn(` ${code.toLowerCase()} `)).toEqual({ exercise, grade: 2 });
    expect([rooms.isOpen(` ${code.toLowerCase()}`), rooms.isOpen('AAAAA')]).toEqual([true, false]);
    rooms.hear(code, 'pupil-1', standing('Ann'));
    rooms.hear(code, 'pupil-1', standing('Ann', { acts: 2 }));
    rooms.hear(code, 'pupil-2', standing('Ben'));
    expect(rooms.see(code, 'teacher-1').map(({ name, acts }) => [name, acts])).toEqual([
      ['Ann', 2],
      ['Ben', 1],
    ]);
    expect(() => rooms.see(code, 'teacher-2')).toThrow('opened by another browser');
    expect(() => rooms.close(code, 'teacher-2')).toThrow('opened by another browser');
    expect(() => rooms.exerciseIn('nobody')).toThrow('there is no room NOBODY: ask for its code again');
  });

  it('are opened once by a browser, and again under their code after a start of the server', () => {
    const rooms = hall();
    const code = rooms.open('teacher-1', exercise, 2);
    expect(rooms.open('teacher-1', exercise, 2)).toBe(code);
    const again = hall();
    expect(again.open('teacher-1', exercise, 2, code)).toBe(code);
    // A code that is taken, or none of ours, is not given twice.
    expect(again.open('teacher-2', exercise, 2, code)).not.toBe(code);
    expect(again.open('teacher-3', exercise, 2, '../..')).toMatch(/^[A-Z3-7]{5}$/);
  });

  it('hold so many pupils, are so many, and end when nobody stirs in them', () => {
    const clock = { now: 0 };
    const rooms = hall(clock);
    const [code] = Array.from({ length: mostRooms }, (_, index) => rooms.open(`teacher-${index}`, exercise, 2));
    expect(() => rooms.open('one more', exercise, 2)).toThrow(`${mostRooms} rooms are open`);
    for (let pupil = 0; pupil <= mostPupils; pupil += 1) rooms.hear(code!, `pupil-${pupil}`, standing('Ann'));
    expect(rooms.see(code!, 'teacher-0')).toHaveLength(mostPupils);
    clock.now = 13 * 3_600_000;
    rooms.open('one more', exercise, 2);
    expect(() => rooms.exerciseIn(code!)).toThrow('there is no room');
    rooms.hear(code!, 'pupil-1', standing('Ann'));
  });
});
