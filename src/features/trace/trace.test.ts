import { describe, expect, it, vi } from 'vitest';
import { PatternLibrary } from '@/core/tracing';
import { loadPatterns } from './load';
import { viewOf } from './traceModel';

vi.mock('server-only', () => ({}));

const library = new PatternLibrary(loadPatterns());
const view = (...lines: string[]) => viewOf(lines, library, 'traced');
const divider = ['R1 10k', 'R2 10k', 'R3 4k7', 'R1.1 +12', 'R1.2 R2.1', 'R2.2 gnd'];

describe('what the page of a trace shows', () => {
  it('is nothing of an empty board', () => {
    expect(view()).toMatchObject({ parts: [], rows: [], single: [], beeps: 0, stage: undefined, next: undefined });
  });

  it('are nodes with the volts they should stand at, and pins that have no place yet', () => {
    const shown = view(...divider);
    expect(shown.rows).toEqual(
      [
        { name: '+12', spots: ['R1.1'], volts: '12 V' },
        { name: 'n1', spots: ['R1.2', 'R2.1'], volts: '6 V' },
        { name: 'gnd', spots: ['R2.2'], volts: expect.stringMatching(/^-?0 V$/) as string },
      ].sort(
        (a, b) =>
          shown.rows.findIndex(({ name }) => name === a.name) - shown.rows.findIndex(({ name }) => name === b.name),
      ),
    );
    expect(shown).toMatchObject({ single: ['R3.1', 'R3.2'], left: ['R3'], beeps: 3, unsolved: undefined });
    expect(shown.netlist).toMatch(/^\* traced\nVp12 p12 0 12\n/);
  });

  it('is what to beep next, as long as nothing contradicts; then what does', () => {
    const { next } = view(...divider);
    expect(next!.chance).toBeGreaterThan(0);
    expect([next!.a, next!.b].some((spot) => spot.startsWith('R3'))).toBe(true);
    const wrong = view(...divider, 'R1.1 R2.1');
    expect(wrong.next).toBeDefined();
    const against = view(...divider, 'R1.2 not R2.1', 'R1.2 R3.1', 'R3.1 R2.1', 'R1.2 not R2.1');
    expect(against.next).toBeUndefined();
    expect(against.contradictions).toHaveLength(1);
  });

  it('says which values are guesses, and why nothing can be solved', () => {
    expect(view('R1', 'R2 10k', 'R1.1 +12', 'R1.2 R2.1', 'R2.2 gnd').guessed).toEqual([
      expect.stringMatching(/^R1 10 k.*usual/) as string,
    ]);
    expect(view('R1 1k', 'R2 1k').unsolved).toEqual(expect.any(String));
  });

  it('names the stage that its parts and joints make it', () => {
    const pattern = loadPatterns().find(({ id }) => id === 'standby-supply')!;
    const printed = (spot: string) =>
      spot.replace(/^([A-Z]+)(?=\.|$)/i, (name) => (name === 'gnd' ? name : `${name}9`));
    const lines = [
      ...pattern.parts.map(
        ({ ref, kind, value }) => `${printed(ref)} ${kind}${value === undefined ? '' : ` ${value}`}`,
      ),
      ...pattern.nodes.flatMap(([first, ...more]) => more.map((spot) => `${printed(first!)} ${printed(spot)}`)),
    ];
    const { stage, roles, single } = view(...lines);
    expect(stage).toMatchObject({ like: pattern.title });
    expect(stage!.chance).toBeGreaterThan(0.9);
    expect(roles.filter(({ ref, role }) => ref === printed(role)).length).toBeGreaterThan(0.8 * pattern.parts.length);
    expect(single.length).toBeLessThan(4);
  });
});
