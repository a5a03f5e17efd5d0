import { mkdtempSync, readdirSync, rmSync, truncateSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { type KeptTrees, readSheet, type SheetError } from '@/core/sheet';
import { shippedTexts } from '.';
import { treesIn } from './keptTrees';
import { netlistOf } from './stages';

let folder: string;
beforeEach(() => (folder = mkdtempSync(path.join(tmpdir(), 'trees-'))));
afterEach(() => rmSync(folder, { recursive: true }));

const read = (text: string, keptTrees?: KeptTrees, by = readSheet) =>
  by(text, { textOf: (id) => shippedTexts().get(id), netlistOf, keptTrees });

const chassis = [...shippedTexts()].filter(([, text]) => /^technology:/m.test(text));

describe('trees kept in a folder', () => {
  it.each(chassis)('%s is the same sheet from kept trees of it and of what it is laid over', async (_, text) => {
    const again = async (trees?: KeptTrees) => {
      // What is laid over by others is kept in memory too.
      vi.resetModules();
      const fresh = await import('@/core/sheet');
      return read(text, trees, fresh.readSheet);
    };
    await again(treesIn(folder));
    expect(readdirSync(folder).length > 1).toBe(/^extends:/m.test(text));
    expect(await again(treesIn(folder))).toEqual(await again());
  });

  it('says where something is wrong as before', () => {
    const text = `${shippedTexts().get('generic-plasma')!}\nnonsense: 3\n`;
    const problems = () => {
      try {
        read(text, treesIn(folder));
        return undefined;
      } catch (error) {
        return (error as SheetError).problems;
      }
    };
    const first = problems();
    expect(first).toEqual([expect.objectContaining({ line: text.split('\n').length - 1, column: 1 })]);
    expect(problems()).toEqual(first);
  });

  it('reads anew what cannot be read there, and does without a folder that cannot be', () => {
    const [, text] = chassis[0]!;
    read(text, treesIn(folder));
    for (const file of readdirSync(folder)) truncateSync(path.join(folder, file), 40);
    expect(read(text, treesIn(folder))).toEqual(read(text));
    expect(read(text, treesIn('/dev/null/none'))).toEqual(read(text));
  });

  it('keeps a text with an anchor not at all, and only the newest of many', () => {
    const trees = treesIn(folder);
    const small = (title: string) => `format: tovrik-sheet/1\nid: x\ntitle: ${title}\n`;
    const parse = (text: string) => {
      try {
        read(text, trees);
      } catch {
        // Too little for a sheet; parsed it was.
      }
    };
    parse(small('&a word'));
    expect(readdirSync(folder)).toEqual([]);
    for (let one = 0; one < 60; one++) parse(small(`number ${one}`));
    expect(readdirSync(folder)).toHaveLength(48);
    expect(trees.get(small('number 59'))).toBeDefined();
  });
});
