import { readingRows } from '@/core/job';
import { predictionsOf } from '@/core/behaviour';
import { replay, type LogBody, type LogEntry } from '@/core/log';
import { describe, expect, it, vi } from 'vitest';
import { shippedSheets } from '@/sheets';
import { beadsOf, blockMarks } from './beads';
import { lineGraph, screenId } from './graph';
import { type LineBlock, type LineWire, placeBeads, wirePath } from './line';

vi.mock('server-only', () => ({}));

const sheets = [...shippedSheets().values()].map((sheet) => [sheet.title, sheet] as const);

it('a net that nobody makes leaves no gap: what needs it is drawn by its other needs', () => {
  const sheet = shippedSheets().get('generic-crt-mono')!;
  const supply = sheet.blocks.get('supply')!;
  const blocks = new Map(sheet.blocks).set('supply', { ...supply, makes: ['v15'] });
  const graph = lineGraph({ ...sheet, blocks });
  expect(graph.blocks).toEqual(lineGraph(sheet).blocks);
  expect(graph.wires.some(({ net }) => net === 'bplus')).toBe(false);
});

describe.each(sheets)('the line of %s', (_, sheet) => {
  const graph = lineGraph(sheet);

  it('runs from the plug to the screen: every wire of power goes to a later column', () => {
    expect(graph.plug).toBe('outlet');
    expect(graph.column.get('outlet')).toBe(0);
    const backwards = graph.wires.filter(({ from, to }) =>
      to.some((id) => id !== screenId && graph.column.get(id)! <= graph.column.get(from)!),
    );
    expect(backwards).toEqual([]);
    expect(graph.wires.some(({ to }) => to.includes(screenId))).toBe(true);
  });

  it('leaves commands off and folds what stands at the screen into it', () => {
    expect(graph.wires.map(({ net }) => net)).not.toContain('on');
    const screens = [...sheet.blocks.values()].filter(({ makes }) => makes.length === 0).map(({ id }) => id);
    expect(graph.blocks.filter((id) => screens.includes(id))).toEqual([]);
  });

  it('is laid out with no two blocks over each other and every wire in the picture', async () => {
    const { layoutLine } = await import('./layout');
    const line = await layoutLine(sheet);
    for (const [index, a] of line.blocks.entries()) {
      for (const b of line.blocks.slice(index + 1)) {
        const over = a.x < b.x + b.width && b.x < a.x + a.width && a.y < b.y + b.height && b.y < a.y + a.height;
        expect(over, `${a.id} and ${b.id}`).toBe(false);
      }
    }
    const outside = line.wires
      .flatMap(({ points }) => points)
      .filter(([x, y]) => x < -1 || y < -1 || x > line.width + 1 || y > line.height + 1);
    expect(outside).toEqual([]);
    // The ballast of a lamp stands hot behind cold blocks: no one line parts the sides there.
    if (sheet.technology === 'projection-lamp') expect(line.barrier).toBeUndefined();
    else expect(line.barrier).toBeGreaterThan(line.blocks.find(({ id }) => id === 'inlet')!.x);
    expect(await layoutLine(sheet)).toBe(line);
  });
});

describe('beads', () => {
  const wire = (net: string, ...points: [number, number][]): LineWire => ({ net, points });
  const block: LineBlock = { id: 'b', title: 'B', x: 40, y: 0, width: 60, height: 26 };

  it('sit on the longest level stretch, clear of blocks and of each other', () => {
    const places = placeBeads(
      [wire('a', [0, 40], [200, 40]), wire('b', [0, 46], [200, 46])],
      [block],
      new Set(['a', 'b']),
    );
    const [a, b] = [places.get('a')!, places.get('b')!];
    expect(a.y).toBe(40);
    expect(Math.abs(a.x - b.x) > 40 || Math.abs(a.y - b.y) > 25).toBe(true);
  });

  it('put their figure below where a block is above', () => {
    expect(placeBeads([wire('a', [45, 36], [95, 36])], [block], new Set(['a'])).get('a')!.below).toBe(true);
  });

  it('join the pieces of one straight wire', () => {
    expect(placeBeads([wire('a', [0, 10], [50, 10], [150, 10])], [], new Set()).get('a')!.x).toBe(75);
    expect(wirePath(wire('a', [0, 1], [5, 1], [5, 9]))).toBe('M0 1 L5 1 L5 9');
  });
});

describe('verdicts on the line', () => {
  const sheet = shippedSheets().get('halvane-hp-42')!;
  const predictions = predictionsOf(sheet);
  const took = (check: string, value: number): LogBody => ({
    kind: 'reading',
    check,
    answer: { kind: 'number', value, shape: 'settled' },
    text: '',
  });
  const caseOf = (...bodies: LogBody[]) => ({
    predictions,
    complaint: { symptoms: [], signs: {} },
    bench: replay(
      bodies.map((body, index): LogEntry => ({ id: `e${index}`, at: '', body })),
      [...sheet.stores.keys()],
    ),
    closed: new Map<string, number>(),
    hourlyRate: 18,
  });
  const line = {
    width: 300,
    height: 100,
    plug: undefined,
    barrier: undefined,
    blocks: [],
    wires: [
      {
        net: 'vs',
        points: [
          [0, 50],
          [200, 50],
        ] as const,
      },
    ],
  };

  it('show the latest figure on its wire, and none from before a repair', () => {
    const job = caseOf({ kind: 'power', power: 'live' }, took('vs-dc', 120), took('vs-dc', 186.6));
    expect(beadsOf(line, job, readingRows(job))).toMatchObject([{ net: 'vs', mark: 'within', text: '187 V' }]);
    const repaired = caseOf({ kind: 'power', power: 'live' }, took('vs-dc', 120), {
      kind: 'repair',
      action: 'replace:C841',
      title: '',
      cures: [],
      money: 0,
      minutes: 0,
      note: '',
    });
    expect(beadsOf(line, repaired, readingRows(repaired))).toMatchObject([{ mark: 'unread', text: 'Vs' }]);
  });

  it('mark the block of a part, and the block that makes a net which is not drawn', () => {
    const job = caseOf(
      { kind: 'power', power: 'live' },
      took('on-dc', 0),
      { kind: 'power', power: 'unplugged' },
      took('C547-esr', 2.9),
    );
    const marks = blockMarks(line, job, readingRows(job));
    expect(marks.get('floating')).toBe('high');
    expect(marks.get('brain')).toBe('dead');
  });
});
