import { type Library, sheetCards, sheetOf } from '@/workshop/library/server';
import { describe, expect, it, vi } from 'vitest';
import { shippedTexts } from '@/sheets';
import { withEdits } from '@/core/sheet';
import { checkText, lookOf, placeText } from './editorModel';

vi.mock('server-only', () => ({}));

const library: Library = { texts: shippedTexts(), own: new Map() };

describe('the library', () => {
  it('offers every sheet a set may be taken in by, and none that is only a base', () => {
    const cards = sheetCards(library);
    expect(cards.map(({ id }) => id)).not.toContain('crt');
    expect(cards.map(({ id }) => id)).not.toContain('crt-guns');
    expect(cards.filter(({ generic }) => generic)).toHaveLength(6);
    expect(cards.filter(({ broken }) => broken !== undefined)).toEqual([]);
  });

  it('tells of a shipped sheet without reading all of it what reading all of it tells', () => {
    for (const { id, title, technology, size, summary } of sheetCards(library))
      expect(sheetOf(library, { sheet: id, options: {}, label: {} })).toMatchObject({
        title,
        technology,
        size,
        summary,
      });
  });

  it('gives the same object for the same set, so that its predictions are kept', () => {
    const set = { sheet: 'generic-plasma', options: { buffers: 'one' }, label: { vs: 190 } };
    expect(sheetOf(library, set)).toBe(sheetOf(library, { ...set }));
    expect(sheetOf(library, set)!.nets.get('vs')!.volts).toBe(190);
    expect(sheetOf(library, set)!.boards.has('lower')).toBe(false);
    expect(sheetOf(library, { ...set, sheet: 'nothing' })).toBeUndefined();
  });
});

describe('editing', () => {
  const parents = { 'generic-plasma': shippedTexts().get('generic-plasma')! };
  const text = 'format: tovrik-sheet/1\nid: mine\nextends: generic-plasma\ntitle: Mine\npoints: {}\n';

  it('lays a new point into the text, into an empty list, a full one or none', () => {
    const values = { measure: 'dc', net: 'vs', expect: '187 V' } as const;
    for (const before of [
      text,
      text.replace('points: {}', 'points:\n  a: { measure: dc, net: va }'),
      text.replace('points: {}\n', ''),
    ]) {
      const after = checkText(withEdits(before, [{ path: ['points', 'tp4'], values }]), parents);
      expect(after.problems).toEqual([]);
      expect(after.sheet!.points.get('tp4')).toMatchObject({ net: 'vs', expect: 187 });
    }
  });

  it('changes a value where it stands, and keeps comments and all the rest', () => {
    const before = `# ours\n${text.replace('points: {}', 'points:\n  tp4: { measure: dc, net: vs, expect: 187 V } # by the relay\n  tp5: { measure: dc, net: va }')}`;
    const after = withEdits(before, [{ path: ['points', 'tp4'], values: { expect: '186 V', source: 'good set' } }]);
    expect(after).toBe(before.replace('expect: 187 V }', 'expect: 186 V, source: good set }'));
    expect(checkText(after, parents).sheet!.points.get('tp4')).toMatchObject({ expect: 186, source: 'good set' });
  });

  it('says in which text a problem is', () => {
    const [own] = checkText(text.replace('points: {}', 'points: { x: { measure: dc, net: none } }'), parents).problems;
    expect(placeText(own!)).toBe('line 5');
    const [below] = checkText(text, {
      'generic-plasma': parents['generic-plasma'].replace('side: both', 'side: warm'),
    }).problems;
    expect(placeText(below!)).toMatch(/^in generic-plasma, line \d+$/);
  });

  it('shows what a fault would do', () => {
    const look = lookOf(checkText(text, parents).sheet!, 'Y-FET.short')!;
    expect(look.shows).toBe('Nothing at all');
    expect(look.blinks).toBeGreaterThan(0);
    expect(look.rails).toContainEqual({ title: 'Vs', words: 'held down' });
  });
});
