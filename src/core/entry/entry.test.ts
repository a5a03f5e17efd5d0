import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { shippedSheets } from '@/sheets';
import { checksOf, compileSheet, Predictions } from '../behaviour';
import { formatQuantity, Refusal } from '../quantity';
import { readEntry, readRefinement } from '.';

const sheet = shippedSheets().get('halvane-hp-42')!;
const predictions = new Predictions(compileSheet(sheet));
const { checks } = predictions;
const scope = { sheet, checks };
const read = (line: string, focus?: string) =>
  readEntry(line, { ...scope, focus: focus === undefined ? undefined : checks.get(focus) });

describe('a look', () => {
  it.each([
    ['generic-crt-colour', 'look line FLYBACK', 'look-line'],
    ['generic-crt-colour', 'look field V-OUT', 'look-field'],
    ['generic-crt-colour', 'look neck fine', 'look-neck'],
    ['generic-crt-colour', 'look supply SMPS-C', 'look-supply'],
    ['generic-projection-lamp', 'look ballast fine', 'look-ballast'],
  ])('of %s, "%s", is found by the block or the board', (id, line, check) => {
    const own = shippedSheets().get(id)!;
    expect(readEntry(line, { sheet: own, checks: checksOf(own) })).toMatchObject({ check: { id: check } });
  });
});

describe('the entry line', () => {
  it.each([
    ['vscan -121.4', 'vscan-dc', { kind: 'number', value: -121.4, shape: 'settled' }],
    ['C547 esr 2.9', 'C547-esr', { kind: 'number', value: 2.9, shape: 'settled' }],
    ['R565 2R2', 'R565-ohms', { kind: 'number', value: 2.2, shape: 'settled' }],
    ['F801 0.1', 'F801-ohms', { kind: 'number', value: 0.1, shape: 'settled' }],
    ['vs 190 brief', 'vs-dc', { kind: 'number', value: 190, shape: 'brief' }],
    ['VS 187,5 V', 'vs-dc', { kind: 'number', value: 187.5, shape: 'settled' }],
    ['F601 OL', 'F601-ohms', { kind: 'number', value: Infinity, shape: 'settled' }],
    ['C812 310', 'res-dc', { kind: 'number', value: 310, shape: 'settled' }],
    ['C812 0.2 ohm', 'C812-esr', { kind: 'number', value: 0.2, shape: 'settled' }],
    ['blinks 7', 'blinks', { kind: 'choice', choice: '7' }],
    ['buzz weak', 'buzz', { kind: 'choice', choice: 'weak' }],
    ['look scan C547', 'look-scan', { kind: 'choice', choice: 'C547' }],
    ['psu ok', 'look-psu', { kind: 'choice', choice: 'fine' }],
    ['press-scan answers', 'press-scan', { kind: 'choice', choice: 'answers' }],
    ['source same', 'try-source', { kind: 'choice', choice: 'same' }],
    ['picture upper_dark', 'picture', { kind: 'picture', symptoms: ['upper_dark'] }],
    ['pic ok', 'picture', { kind: 'picture', symptoms: ['normal'] }],
  ] as const)('reads "%s"', (line, check, answer) => {
    expect(read(line)).toMatchObject({ kind: 'reading', check: { id: check }, answer });
  });

  it.each([
    ['cut CN801 pin 7', { change: 'cut', target: 'CN801/on', on: true }],
    ['cut cn801 V12', { change: 'cut', target: 'CN801/v12', on: true }],
    ['rejoin CN801 on', { change: 'cut', target: 'CN801/on', on: false }],
    ['strap on', { change: 'strapped', target: 'on', on: true }],
  ] as const)('changes a lead or a command: "%s"', (line, body) => {
    expect(read(line)).toMatchObject({ kind: 'change', body: { kind: 'intervention', ...body } });
  });

  it.each([
    ['turned VR841', { control: 'VR841', end: false }],
    ['turned VR841 1/8', { control: 'VR841', end: false, turn: 0.125 }],
    ['turned VR841 -1/4 to its end', { control: 'VR841', end: true, turn: -0.25 }],
  ])('notes a control that was turned: "%s"', (line, body) => {
    expect(read(line)).toEqual({ kind: 'change', body: { kind: 'turned', ...body } });
  });

  it.each([
    ['turned VR841 a bit', /one control a line, like "turned VR841 1\/8"/],
    ['cut CN801 pin 1', /no point of the sheet says what pin 1 of CN801 carries: .*it carries v5s, v5m, v12, on/],
    ['cut CN801 (', /no point of the sheet says what \( of CN801 carries/],
    ['cut CN99 on', /has no lead "CN99 on"/],
    ['strap vs', /has no command "vs"; it has on, frame, scan_ctl/],
  ] as const)('refuses a lead or a command that is not there: "%s"', (line, message) => {
    expect(() => read(line)).toThrow(message);
  });

  it('takes several parts of one look, an answer each', () => {
    expect(read('look scan C547, C551 C532')).toMatchObject({
      check: { id: 'look-scan' },
      answer: { choice: 'C547' },
      more: [{ choice: 'C551' }, { choice: 'C532' }],
    });
    expect(() => read('look scan C547 fine')).toThrow(
      '"fine" is no part: name the parts that look wrong, or fine alone',
    );
    expect(() => read('look scan C547 F801')).toThrow(/does not take in F801/);
  });

  it('takes a bare value for the probe that is asked for', () => {
    expect(read('-167', 'vscan-dc')).toMatchObject({ check: { id: 'vscan-dc' }, answer: { value: -167 } });
    expect(read('y', 'buzz')).toMatchObject({ check: { id: 'buzz' }, answer: { choice: 'yes' } });
  });

  it('takes changes of the set', () => {
    expect(read('unplug cn802')).toMatchObject({ body: { kind: 'connector', connector: 'CN802', pulled: true } });
    for (const said of ['live', 'on', 'power on'])
      expect(read(said)).toMatchObject({ body: { kind: 'power', power: 'live' } });
    for (const said of ['unplugged', 'unplug', 'plug out'])
      expect(read(said)).toMatchObject({ body: { kind: 'power', power: 'unplugged' } });
    expect(read('lamp in')).toMatchObject({ body: { kind: 'lamp', fitted: true } });
    expect(read('warm')).toMatchObject({ body: { kind: 'warmth', warm: true } });
    expect(read('isolation in')).toMatchObject({ body: { kind: 'isolation', fitted: true } });
    expect(read('lamp out')).toMatchObject({ body: { kind: 'lamp', fitted: false } });
    expect(read('mains 117')).toMatchObject({ body: { kind: 'mains', volts: 117 } });
  });

  it.each([
    ['abc', /has no point "abc"/],
    ['pix 3', /has no point "pix"; near it: .*pic/],
    ['12.3', /has no point "12.3"/],
    ['vscan', /needs a value after it, like "vscan/],
    ['vscan 3 ohm', /read in volts, not ohms/],
    ['R565 -3', /cannot be below 0/],
    ['vs 1,870', /could be 1.870 or 1870/],
    ['buzz loud', /answered with yes, weak, brief or no/],
    ['blinks 2.5', /whole numbers/],
    ['look scan F801', /does not take in F801: answer fine or one of/],
    ['unplug CN999', /has no connector "CN999"/],
    ['picture teatime', /"teatime" is no picture/],
    ['off', /leaves it on the mains: pull the plug/],
    ['constructor', /has no point "constructor"/],
    ['mains 400', /mains is read in volts from 60 to 280/],
    ['proven', /measure each store/],
    ['', /type a reading/],
  ])('refuses "%s" with what would be right', (line, message) => {
    expect(() => read(line)).toThrow(message);
    expect(() => read(line)).toThrow(Refusal);
  });

  it('takes a reference with a value for a part nobody has, not for an answer in words', () => {
    expect(() => read('F999 0.2', 'buzz')).toThrow(/has no point "F999".*like "part F999 feeds v15/);
    expect(() => read('loud', 'buzz')).toThrow(/answered with yes, weak, brief or no/);
  });

  it('reads back every voltage it prints', () => {
    fc.assert(
      fc.property(fc.double({ min: -400, max: 400, noNaN: true }), (volts) => {
        const text = formatQuantity(volts, 'V');
        const entry = read(`vs ${text}`);
        const value = entry.kind === 'reading' && entry.answer.kind === 'number' ? entry.answer.value : NaN;
        expect(Math.abs(value - volts)).toBeLessThanOrEqual(Math.abs(volts) * 1e-3);
      }),
    );
  });
});

describe('a repair in one line', () => {
  const noteOf = (line: string) => {
    const entry = readEntry(line, scope);
    return entry.kind === 'change' && entry.body.kind === 'repair' ? entry.body.note : undefined;
  };

  it('says what was fitted, where that is not what was there', () => {
    const part = [...scope.sheet.parts.keys()].find((id) => noteOf(`replaced ${id}`) !== undefined)!;
    expect(noteOf(`replaced ${part}`)).toBe('');
    expect(noteOf(`replaced ${part} 2R2 1W`)).toBe('with 2R2 1W');
    expect(noteOf(`replaced ${part} with BD-7 of the donor`)).toBe('with BD-7 of the donor');
    expect(() => readEntry(`replaced ${part} ${part}`, scope)).toThrow(/one repair a line, with what was fitted/);
  });
});

describe('a line that refines the sheet', () => {
  it('puts in a point with what the manual gives, or teaches what a good set reads', () => {
    expect(readRefinement('new tp4 VS 181 pin 3 of CN1', scope)).toMatchObject({
      change: { kind: 'point', point: 'tp4', net: 'vs', volts: 181, where: 'pin 3 of CN1', source: 'manual' },
    });
    expect(readRefinement('new tp5 vs by the relay', scope)).toMatchObject({ change: { where: 'by the relay' } });
    expect(readRefinement('learn vs', scope)).toMatchObject({ kind: 'learn', check: { id: 'vs-dc' } });
    expect(readRefinement('rail V12 11.6', scope)).toMatchObject({
      change: { kind: 'point', point: 'v12-dc', volts: 11.6, source: 'manual' },
      said: expect.stringContaining('is 11.6 V on these sets') as string,
    });
    expect(readRefinement('vs 181', scope)).toBeUndefined();
  });

  it('puts in parts, rails, codes and names of boards that nobody has written down', () => {
    const changeOf = (line: string) => {
      const refinement = readRefinement(line, scope);
      return refinement?.kind === 'change' ? refinement.change : undefined;
    };
    expect(changeOf('part r118 22R psu feeds vs')).toEqual({
      kind: 'part',
      part: 'R118',
      is: 'resistor',
      value: '22R',
      block: 'supply',
      role: 'feeds',
      net: 'vs',
    });
    expect(changeOf('part C99 100u 250V shunts vs to ground')).toMatchObject({
      is: 'electrolytic',
      value: '100u 250V',
      role: 'shunts',
    });
    // A net is also named by its title, and by a point on it.
    expect(changeOf('part R119 22R psu feeds 5 v standby')).toMatchObject({ net: 'v5s' });
    expect(changeOf('part R119 22R psu feeds vs-dc')).toMatchObject({ net: 'vs' });
    // The deflections have other names in other schools, and a capacitor lies across what it smooths.
    const tube = shippedSheets().get('generic-crt-mono')!;
    const inTube = { sheet: tube, checks: checksOf(tube) };
    // A name cut short is enough where only one block begins so.
    expect(readRefinement('rail v26 26 from lineout', inTube)).toMatchObject({ change: { block: 'line_output' } });
    expect(() => readRefinement('rail v26 26 from line', inTube)).not.toThrow();
    expect(() => readRefinement('rail v26 26 from li', inTube)).toThrow(/no block or board "li"/);
    expect(readRefinement('part C214 220u frame stage across vyoke', inTube)).toMatchObject({
      change: { block: 'field_output', role: 'shunts' },
    });
    expect(changeOf('rail v27 27 from supply on VB-7')).toMatchObject({ rail: 'v27', block: 'supply', where: 'VB-7' });
    expect(changeOf('part R7 in series with vs')).toMatchObject({ is: 'resistor', value: '', role: 'feeds' });
    expect(changeOf('part X9 varistor supply shunts vs')).toMatchObject({ is: 'varistor' });
    expect(changeOf('rail v18 18 from supply at tp18 by the coil')).toEqual({
      kind: 'rail',
      rail: 'v18',
      volts: 18,
      block: 'supply',
      point: 'tp18',
      where: 'tp18 by the coil',
    });
    expect(changeOf('rail v18 18 from supply to logic')).toMatchObject({ user: 'logic', point: 'v18-dc' });
    expect(changeOf('rail vneg -12.5 from supply')).toMatchObject({ volts: -12.5, point: 'vneg-dc' });
    expect(changeOf('code 9 vs overvoltage')).toEqual({ kind: 'code', blinks: 9, net: 'vs', meaning: 'overvoltage' });
    expect(changeOf('board psu called VB-7')).toEqual({ kind: 'board', board: 'psu', alias: 'VB-7' });
    // Names written together, apart or with the word board behind them are the same.
    const panel = shippedSheets().get('generic-plasma')!;
    const inPanel = { sheet: panel, checks: checksOf(panel) };
    expect(readRefinement('rail v9 9 from mainsupply', inPanel)).toMatchObject({ change: { block: 'supply' } });
    expect(readRefinement('board y-main board called VB-7', inPanel)).toMatchObject({ change: { board: 'scan' } });
    // A count of blinks by itself is a reading.
    expect(readRefinement('code 9', scope)).toBeUndefined();
  });

  it.each([
    ['part R118 22R psu', /what it does to which net/],
    ['part R118 22R psu feeds v99', /no net "v99"; it has mains_f \(Mains after the fuse\), .*vs, .* …$/],
    ['part R118 22R attic feeds vs', /no block or board "attic". Leave the place out, or name one of/],
    ['part XY9 psu feeds vs', /what is XY9\? Put its kind behind it/],
    ['part C861 100u psu shunts vs', /already: type what it reads/],
    ['rail v18 psu', /a short name and its volts/],
    ['rail +27 27 from supply', /"\+27" would be read as a value: .*such as v27$/],
    ['rail -12 12', /such as n12$/],
    ['rail vs 18 from supply', /has a net "vs" already: "rail vs 18" alone/],
    ['rail vs 190', /goes by the set’s own label/],
    ['rail v18 18 at tp18', /which block makes it/],
    ['code 2 vs', /2 blinks already: /],
    ['code 99 vs', /a whole number of blinks/],
    ['board psu VB-7', /which board and what it is called/],
    ['board attic called VB-7', /no board "attic"; it has .*psu \(Main supply\)/],
    ['new tp4', /needs a short name, its net/],
    ['new vs vs', /has a point "vs" already/],
    ['new tp4 v99 3', /no net "v99"; it has/],
    ['new tp4 vs 3k3x', /3k3x/],
    ['new tp4 vs 33mA', /not a value|volts/],
    ['learn nothing', /no point "nothing"/],
  ])('refuses "%s"', (line, message) => {
    expect(() => readRefinement(line, scope)).toThrow(message);
  });
});
