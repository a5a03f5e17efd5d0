import { describe, expect, it } from 'vitest';
import { shippedTexts } from '@/sheets';
import { netlistOf } from '@/sheets/stages';
import { checksOf } from '../behaviour';
import { type LogBody, replay } from '../log';
import {
  adoptedText,
  editsOf,
  editsUnderChoices,
  pathUnderChoices,
  readSheet,
  type SheetChange,
  withEdits,
} from '../sheet';
import { insideEvidence } from '.';

const own = adoptedText('own', 'generic-crt-monitor', 'Own');
const from = (regulation: string) => ({
  textOf: (id: string) => shippedTexts().get(id),
  netlistOf,
  choices: { regulation },
});
const monitor = readSheet(own, from('linear'));
const written = (part: Partial<Extract<SheetChange, { kind: 'part' }>>) => {
  const change = {
    kind: 'part',
    part: 'R77',
    is: 'resistor',
    value: '3k3',
    block: 'supply',
    role: 'feeds',
    net: 'pbase',
    ...part,
  } as const;
  return withEdits(own, editsUnderChoices(editsOf(change, monitor), pathUnderChoices(own, from('linear'))));
};
const withPart = (part: Partial<Extract<SheetChange, { kind: 'part' }>>) => readSheet(written(part), from('linear'));
const volts = (check: string, value: number): LogBody => ({
  kind: 'reading',
  check,
  answer: { kind: 'number', value, shape: 'settled' },
  text: '',
});

describe('a part that no sheet lists, in a block with a netlist', () => {
  it('is the element of its kind and ohms at its net', () => {
    const { parts, blocks, faults } = withPart({});
    expect(parts.get('R77')!.element).toBe('R2');
    expect(blocks.get('supply')!.stage!.parts.get('R2')).toBe('R77');
    // The resistor across the pass transistor is all that feeds the rail then, as the circuit says.
    expect(Object.fromEntries(faults.get('R77.open')!.sets)).toEqual({ pbase: 0.74, bplus: 0.74 });
  });

  it('is the part that the readings name', () => {
    const sheet = withPart({});
    const bodies: LogBody[] = [
      { kind: 'power', power: 'live' },
      volts('bplus-dc', 84.9),
      volts('pbase-dc', 85.3),
      volts('psense-dc', 5.16),
    ];
    const bench = replay(
      bodies.map((body, index) => ({ id: `line-${index}`, at: '2026-03-01T10:00:00Z', body })),
      [],
    );
    const [supply] = insideEvidence(sheet, checksOf(sheet), bench);
    const [first] = [...supply!.advantages].sort((a, b) => b[1] - a[1]);
    expect(first![0]).toBe('R77.open');
  });

  it.each([
    ['other ohms', { value: '33k' }],
    ['no ohms', { value: '' }],
    ['another net', { net: 'psense' }],
    ['another kind', { is: 'diode', value: '' } as const],
    ['another block', { block: 'error_amp' }],
  ])('is none of it with %s', (_, part) => {
    const { parts, blocks } = withPart(part);
    expect(parts.get('R77')!.element).toBeUndefined();
    expect(blocks.get('supply')!.stage!.parts.has('R2')).toBe(false);
  });
});
