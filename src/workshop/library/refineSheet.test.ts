import { kinOf, readLibrary, sheetOf } from '@/workshop/library/server';
import { mkdtempSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { addJob, database, findJob, type Job, versionsOf } from '@/store';
import { takenIn } from '../../../tests/fixtures/takenIn';
import { storeSheet } from '@/features/sheets/actions';
import { refineSheet } from '.';

vi.mock('server-only', () => ({}));
vi.mock('next/cache', () => ({ revalidatePath: vi.fn() }));

beforeEach(() => {
  process.env.TOVRIK_DB = path.join(mkdtempSync(path.join(os.tmpdir(), 'tovrik-refine-')), 'tovrik.db');
});

const taken = async (id: string, more: Partial<Job> = {}) => addJob(await database(), takenIn(id, more));
const found = { kind: 'point', point: 'tp4', net: 'v12', where: 'pin 3', volts: 12.1, source: 'manual' };
// A sheet that fits any make is refined for one make and model.
const own = 'my-kerb-find';
const textOf = async () => (await versionsOf(await database(), own))[0]?.text;

describe('refining the sheet of a set at the bench', () => {
  it('lays a sheet of the shop’s own over the shipped one and moves the set to it', async () => {
    await taken('a');
    expect(await refineSheet('a', found)).toMatchObject({ done: { version: 1, sheet: { id: own } } });
    expect((await findJob(await database(), 'a'))!.sheet).toBe(own);
    const library = await readLibrary();
    const sheet = sheetOf(library, { sheet: own, options: {}, label: {} })!;
    expect(sheet.points.get('tp4')).toMatchObject({ net: 'v12', expect: 12.1, source: 'manual', where: 'pin 3' });
    expect(sheet.faults.size).toBe(sheetOf(library, { sheet: 'generic-plasma', options: {}, label: {} })!.faults.size);
    // What the shop met with the shipped sheet still counts for the refined one.
    expect(kinOf(library, own)).toEqual([own, 'generic-plasma']);
    expect(kinOf(library, 'generic-plasma')).toEqual(['generic-plasma']);
  });

  it('leaves all other sheets as they are read, with what was worked out on them', async () => {
    await taken('a');
    const at = async (sheet: string) => sheetOf(await readLibrary(), { sheet, options: {}, label: { vs: 187 } });
    await refineSheet('a', found);
    const [plasma, first] = [await at('generic-plasma'), await at(own)];
    expect(await at(own)).toBe(first);
    await refineSheet('a', { ...found, point: 'tp5' });
    expect(await at('generic-plasma')).toBe(plasma);
    expect((await at(own))!.points.has('tp5')).toBe(true);
  });

  it('keeps every version, and a learnt value changes only that value', async () => {
    await taken('a');
    await refineSheet('a', found);
    const before = (await textOf())!;
    expect(await refineSheet('a', { kind: 'point', point: 'tp4', volts: 12.3, source: 'good set' })).toMatchObject({
      done: { version: 2 },
    });
    expect(await textOf()).toBe(before.replace('12.1 V, source: manual', '12.3 V, source: good set'));
    expect(await versionsOf(await database(), own)).toHaveLength(2);
  });

  it('takes several changes in one version, all of them or none', async () => {
    await taken('a');
    await taken('b');
    const part = (name: string, block = 'logic') => ({
      kind: 'part',
      part: name,
      is: 'resistor',
      value: '4k7',
      block,
      role: 'feeds',
      net: 'v5s',
    });
    expect(await refineSheet('a', [part('R901'), part('R902'), part('R903', 'nowhere')])).toMatchObject({
      refused: expect.stringContaining('no block "nowhere"') as unknown,
    });
    expect(await versionsOf(await database(), own)).toHaveLength(0);
    expect(await refineSheet('a', [part('R901'), part('R902')])).toMatchObject({
      done: { version: 1, sheet: { id: own } },
    });
    // Another set of the make brings one more; what is there already stays as it is.
    expect(await refineSheet('b', [part('R901'), part('R904')])).toMatchObject({
      done: { version: 2, sheet: { id: own } },
    });
    const sheet = sheetOf(await readLibrary(), { sheet: own, options: {}, label: {} })!;
    expect(['R901', 'R902', 'R903', 'R904'].filter((name) => sheet.parts.has(name))).toEqual(['R901', 'R902', 'R904']);
    expect(await refineSheet('a', [])).toEqual({ refused: 'a sheet takes 1 to 60 changes at once' });
  });

  it('lets a second set of the kind join the sheet, but not overwrite a point of ours unseen', async () => {
    await taken('a');
    await taken('b');
    await refineSheet('a', found);
    expect(await refineSheet('b', { ...found, volts: 11.8 })).toEqual({
      refused: expect.stringContaining('a point "tp4" already') as string,
    });
    expect((await findJob(await database(), 'b'))!.sheet).toBe('generic-plasma');
    expect(await refineSheet('b', { ...found, point: 'tp5' })).toMatchObject({
      done: { version: 2, sheet: { id: own } },
    });
    expect((await findJob(await database(), 'b'))!.sheet).toBe(own);
  });

  it('moves a second set to the sheet that says already what was typed', async () => {
    await taken('a');
    await taken('b');
    await refineSheet('a', found);
    expect(await refineSheet('b', found)).toMatchObject({ done: { version: 1, sheet: { id: own } } });
    expect((await findJob(await database(), 'b'))!.sheet).toBe(own);
  });

  it('a rail hangs between what makes and what needs it', async () => {
    await taken('a', { title: 'Pier find' });
    const rail = { kind: 'rail', rail: 'v9', volts: 9, block: 'supply', user: 'logic', point: 'tp9', where: '' };
    expect(await refineSheet('a', rail)).toMatchObject({ done: { sheet: { id: 'my-pier-find' } } });
    const sheet = sheetOf(await readLibrary(), { sheet: 'my-pier-find', options: {}, label: {} })!;
    expect(sheet.blocks.get('supply')!.makes).toContain('v9');
    expect(sheet.blocks.get('logic')!.needs).toContain('v9');
  });

  it('what is learnt stands beside what the options of the set say, and the other choices stay as they were', async () => {
    const series = { regulation: 'series', feed: 'portable' };
    await taken('a', { title: 'Ferry portable', sheet: 'generic-crt-mono', options: series });
    const rail = { kind: 'rail', rail: 'v9', volts: 9, block: 'supply', user: 'tuner', point: 'tp9', where: '' };
    expect(await refineSheet('a', rail)).toMatchObject({ done: { sheet: { id: 'my-ferry-portable' } } });
    const part = {
      kind: 'part',
      part: 'R33',
      is: 'resistor',
      value: '1R',
      block: 'supply',
      role: 'feeds',
      net: 'bplus',
    };
    expect(await refineSheet('a', part)).toMatchObject({ done: { version: 2 } });
    const as = async (options: Job['options']) =>
      sheetOf(await readLibrary(), { sheet: 'my-ferry-portable', options, label: {} })!;
    const { blocks, parts } = await as(series);
    expect(blocks.get('supply')!.makes).toEqual(['bplus', 'pbase', 'v9']);
    expect(blocks.get('tuner')!.needs).toContain('v9');
    expect([parts.has('R33'), parts.has('PASS-Q'), parts.has('SMPS-IC')]).toEqual([true, true, false]);
    expect((await as({ regulation: 'switched' })).blocks.get('supply')!.makes).toEqual(['bplus', 'v15']);
  });

  it('what a part feeds and nobody needs, its own block needs', async () => {
    await taken('a', { title: 'Quay find' });
    await refineSheet('a', { kind: 'rail', rail: 'v9', volts: 9, block: 'supply', point: 'tp9', where: '' });
    const part = {
      kind: 'part',
      part: 'R9',
      is: 'resistor',
      value: '2R2',
      block: 'sustain_x',
      role: 'feeds',
      net: 'v9',
    };
    expect(await refineSheet('a', part)).toMatchObject({ done: { version: 2 } });
    const sheet = sheetOf(await readLibrary(), { sheet: 'my-quay-find', options: {}, label: {} })!;
    expect(sheet.blocks.get('sustain_x')!.needs).toContain('v9');
  });

  it('takes parts, rails, codes and names of boards, which the next set of the model has and others have not', async () => {
    await taken('a');
    await taken('other', { title: 'Another make' });
    const part = {
      kind: 'part',
      part: 'R118',
      is: 'resistor',
      value: '22R',
      block: 'supply',
      role: 'feeds',
      net: 'vs',
    };
    const rail = { kind: 'rail', rail: 'v18', volts: 18, block: 'supply', point: 'tp18', where: '' };
    const changes = [
      part,
      rail,
      { ...part, part: 'C9', is: 'electrolytic', value: '100u', role: 'shunts', net: 'v18' },
    ];
    for (const change of [...changes, { kind: 'code', blinks: 9, net: 'v18', meaning: '' }])
      expect(await refineSheet('a', change)).toMatchObject({ done: { sheet: { id: own } } });
    expect(await refineSheet('a', { kind: 'board', board: 'psu', alias: 'VB-7' })).toMatchObject({ done: {} });
    const sheet = sheetOf(await readLibrary(), { sheet: own, options: {}, label: {} })!;
    expect(sheet.nets.get('v18')).toMatchObject({ volts: 18 });
    expect(sheet.blocks.get('supply')!.makes).toEqual(expect.arrayContaining(['vs', 'v18']));
    expect(sheet.faults.get('R118.open')!.sets).toEqual(new Map([['vs', 0]]));
    expect(sheet.faults.get('C9.short')!.shorts).toEqual(['v18']);
    expect(sheet.points.get('R118-ohms')).toMatchObject({ measure: 'ohms', parts: ['R118'] });
    expect(sheet.protections.find(({ blinks }) => blinks === 9)!.watches.has('v18')).toBe(true);
    expect(sheet.boards.get('psu')!.aliases).toContain('VB-7');
    expect(await refineSheet('a', part)).toMatchObject({
      refused: expect.stringContaining('"R118" already') as string,
    });
    // The set of another make stands where it stood.
    expect((await findJob(await database(), 'other'))!.sheet).toBe('generic-plasma');
    expect(await refineSheet('other', part)).toMatchObject({ done: { sheet: { id: 'my-another-make' }, version: 1 } });
  });

  it.each([
    ['a net the sheet has not', { ...found, net: 'v99' }, /v99/],
    ['a name that is none', { ...found, point: '4 tp' }, /a short name/],
    [
      'a part at a net that is none',
      { kind: 'part', part: 'R1', is: 'resistor', value: '', block: 'supply', role: 'feeds', net: 'v99' },
      /v99/,
    ],
    [
      'a kind of part that is none',
      { kind: 'part', part: 'R1', is: 'wish', value: '', block: 'supply', role: 'feeds', net: 'vs' },
      /must be one of/,
    ],
    ['what is no change', { kind: 'wish' }, /must be one of/],
    ['no such point to learn', { kind: 'point', point: 'tp9', volts: 3, source: 'good set' }, /no point "tp9"/],
    ['volts beyond any set', { ...found, volts: 1e6 }, /60000/],
  ])('refuses %s and leaves set and sheet as they were', async (_, input, message) => {
    await taken('a');
    const answer = await refineSheet('a', input);
    expect('refused' in answer ? answer.refused : 'taken').toMatch(message);
    expect((await findJob(await database(), 'a'))!.sheet).toBe('generic-plasma');
    expect(await textOf()).toBeUndefined();
  });

  it('refuses closed jobs and jobs that are none', async () => {
    await taken('a', { closedAt: '2026-11-02T10:00:00Z' });
    expect(await refineSheet('a', found)).toMatchObject({ refused: expect.stringContaining('closed') as string });
    expect(await refineSheet('nobody', found)).toMatchObject({ refused: 'there is no such job' });
  });
});

describe('saving a sheet', () => {
  const text = 'format: tovrik-sheet/1\nid: mine\nextends: generic-plasma\ntitle: Mine\n';

  it('refuses what was saved elsewhere meanwhile, and what would break a sheet laid over it', async () => {
    expect(await storeSheet(text, 0)).toEqual({ done: { version: 1 } });
    expect(await storeSheet(text, 0)).toMatchObject({ refused: expect.stringContaining('version 1') as string });
    const over =
      'format: tovrik-sheet/1\nid: over\nextends: mine\ntitle: Over\npoints:\n  tp4: { measure: dc, net: extra }\n';
    const extra = `${text}nets:\n  extra: { title: Extra, volts: 3 }\nblocks:\n  more: { title: More, board: psu, needs: [v12], makes: [extra], parts: {} }\n`;
    expect(await storeSheet(extra, 1)).toEqual({ done: { version: 2 } });
    expect(await storeSheet(over, 0)).toEqual({ done: { version: 1 } });
    expect(await storeSheet(text, 2)).toMatchObject({
      refused: expect.stringContaining('"over" is laid over it') as string,
    });
    expect(await storeSheet(7, 0)).toMatchObject({ refused: 'a sheet is a text' });
  });
});
