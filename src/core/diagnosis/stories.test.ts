import { type SignState } from '../measure';
import { readEntry } from '../entry';
import { type LogBody, type LogEntry, replay } from '../log';
import { describe, expect, it } from 'vitest';
import { shippedSheets } from '@/sheets';
import { openSheet } from '../sheet';
import { compileSheet, Predictions } from '../behaviour';
import { adviseOn, type Case, type Complaint, contextFor, transition } from '.';

const predictions = new Map(
  [...shippedSheets().values()].map((sheet) => [sheet.id, new Predictions(compileSheet(openSheet(sheet)))]),
);

/**
 * A story told in the entry language, as a restorer would type it; the switching on and off that
 * a probe needs is done where it is due.
 */
function told(sheetId: string, complaint: Complaint, lines: readonly string[]): Case {
  const known = predictions.get(sheetId)!;
  const { sheet } = known.model;
  const stores = [...sheet.stores.keys()];
  const log: LogEntry[] = [];
  const record = (body: LogBody) => log.push({ id: `l${log.length}`, at: '2026-11-24T10:00:00Z', body });
  record({ kind: 'power', power: 'live' });
  for (const line of lines) {
    const entry = readEntry(line, { sheet, checks: known.checks });
    if (entry.kind === 'reading') {
      const { context } = replay(log, stores);
      for (const step of transition(sheet, context, contextFor(context, entry.check.state), () => 2)) record(step);
      record({ kind: 'reading', check: entry.check.id, answer: entry.answer, text: line });
    } else record(entry.body);
  }
  return { predictions: known, complaint, bench: replay(log, stores), closed: new Map(), hourlyRate: 18 };
}
const saying = (symptoms: Complaint['symptoms'], signs: Record<string, SignState> = {}): Complaint => ({
  symptoms,
  signs,
});
const first = (job: Case) => adviseOn(job).posterior.suspects[0]!;

describe('stories from the bench', () => {
  it.each<[string, string, Complaint, string[], string]>([
    [
      'a dead set with a clear fuse and a shorted switch',
      'halvane-hp-42',
      saying(['dark'], { light: 'no', pop: 'yes' }),
      ['F801 OL', 'Q801 0.01'],
      'Q801.short',
    ],
    [
      'a dead set with a good fuse and no reservoir volts',
      'halvane-hp-42',
      saying(['dark'], { light: 'no' }),
      ['F801 0.1', 'res 0', 'RT801 OL'],
      'RT801.cracked',
    ],
    [
      'a light but no relay: the keys do nothing, the remote starts it',
      'halvane-hp-42',
      saying(['dark'], { click: 'no' }),
      ['v5s 5.1', 'on 0', 'remote cured'],
      'SW101.dirty',
    ],
    [
      'three blinks and a short that goes with the common sustain',
      'halvane-hp-42',
      saying(['brief'], { pop: 'yes' }),
      ['blinks 3', 'vs-ohms 0.5', 'unplug CN803', 'vs-ohms 20k', 'plug CN803', 'Q611 0.02'],
      'Q611.short',
    ],
    [
      'a set that trips although its B+ is right: the guard itself',
      'generic-crt-colour',
      saying(['brief'], { rustle: 'brief' }),
      ['bplus 115 brief', 'guard 14.1 brief', 'guardr 13k'],
      'GUARD-R.drifted',
    ],
    [
      'a tube whose heater is open: volts at its pins, no glow',
      'generic-crt-colour',
      saying(['dark'], { rustle: 'yes', glow: 'no' }),
      ['heater 6.4', 'heaterohms OL'],
      'TUBE.open',
    ],
    [
      'four blinks for want of the 15 V that feed the sustain boards',
      'generic-plasma',
      saying(['dark']),
      ['blinks 4', 'v15 0.3', 'v15-ohms 790', 'v15d OL'],
      'V15-D.open',
    ],
    [
      'half of the board fuses are good: the one of scan sustain is not',
      'generic-plasma',
      saying(['dark']),
      ['blinks 4', 'ylight no', 'yfuse OL'],
      'Y-FUSE.open',
    ],
    [
      'a lamp that never strikes behind a thermal cut-out',
      'generic-projection-lamp',
      saying(['dark'], { fans: 'yes', ticks: 'no' }),
      ['blinks 3', 'permit 3.3', 'cutout OL'],
      'CUTOUT.worn',
    ],
    [
      'an amplifier off its zero bends one colour',
      'generic-projection-tubes',
      saying(['bent_colours']),
      ['cpos 28', 'cneg -28', 'off1 2.1'],
      'CONV-IC1.leaky',
    ],
    [
      'a lit lamp that nobody reports',
      'generic-projection-lamp',
      saying(['goes_off']),
      ['blinks 3', 'strike 84', 'lit 0.2'],
      'STATUS-OC.dead',
    ],
    [
      'two blinks and a tired five volt capacitor',
      'halvane-hp-42',
      saying(['brief']),
      ['blinks 2', 'v5m 4.1 brief', 'C861 esr 0.9'],
      'C861.dry',
    ],
    [
      'a dark reddish picture with a good fuse',
      'halvane-hp-42',
      saying(['reddish']),
      ['ve 104', 'F601 0.2', 'susctl 3.3', 'xwave 1'],
      'IC611.dead',
    ],
    ['one input only', 'halvane-hp-42', saying(['no_signal']), ['source cured'], 'SRC.dead'],
    [
      'a screen with sparkle and a loose ground',
      'halvane-hp-42',
      saying(['sparkle']),
      ['look screws GND6', 'xwave 215'],
      'GND6.loose',
    ],
    [
      'a line across: no supply, its resistor open, the chip shorted behind it',
      'pellisar-tc-14',
      saying(['horizontal_line']),
      ['v26 0', 'R431 OL', 'field IC501'],
      'IC501.short',
    ],
    [
      'a line across with its supply right, which answers to a press',
      'pellisar-tc-14',
      saying(['horizontal_line']),
      ['v26 26', 'vdrive 1.4', 'press-field answers'],
      'IC501.joint',
    ],
    [
      'an upright line whose plug is loose in the look',
      'pellisar-tc-14',
      saying(['vertical_line']),
      ['press-line answers', 'hyoke 820'],
      'P301.joint',
    ],
    [
      'white with slanting lines and no 180 V',
      'pellisar-tc-14',
      saying(['white_flood']),
      ['v180 0', 'R421 OL'],
      'R421.open',
    ],
    [
      'ticking with a short on B+ that is the output transistor',
      'pellisar-tc-14',
      saying(['dark'], { tick: 'yes' }),
      ['bplus-ohms 0.4', 'Q402 0.01'],
      'Q402.short',
    ],
    [
      'ticking with no short and a dry chip capacitor',
      'pellisar-tc-14',
      saying(['dark'], { tick: 'yes' }),
      ['bplus-ohms 14k', 'C806 esr 6'],
      'C806.dry',
    ],
    [
      'dead but lit, the line drive there and no base drive, ringed joint',
      'pellisar-tc-14',
      saying(['dark'], { rustle: 'no' }),
      ['bplus 112', 'hdrive 15.6k', 'hbase 0', 'line T401'],
      'T401.joint',
    ],
    [
      'no red, the cathode high and the collector right',
      'pellisar-tc-14',
      saying(['no_red']),
      ['cr 125', 'kr 162', 'R106 OL'],
      'R106.open',
    ],
    [
      'soft with a crackle in damp weather',
      'pellisar-tc-14',
      saying(['soft'], { crackle: 'yes' }),
      ['focus 4300', 'press-neck answers'],
      'SOCKET.dirty',
    ],
    [
      'a torn picture whose line drive is off its frequency',
      'generic-crt-colour',
      saying(['tearing']),
      ['hosc 14.7k'],
      'H-RES.drifted',
    ],
    [
      'bent red where the amplifier rails against an open sense resistor',
      'generic-projection-tubes',
      saying(['bent_colours']),
      ['cvr 13', 'crs OL'],
      'CR-SENSE.open',
    ],
    [
      'a faint picture with the screen voltage right',
      'generic-crt-colour',
      saying(['faint']),
      ['g2 420', 'abl 160k'],
      'ABL-R.drifted',
    ],
  ])('%s', (_, sheet, complaint, lines, fault) => {
    expect(first(told(sheet, complaint, lines)).fault.id).toBe(fault);
  });

  it('a shorted scan buffer stops the whole picture; pulled, half of it and the buzz come back', () => {
    for (const [sheet, plug, chip, other] of [
      ['halvane-hp-42', 'CN501', 'IC701', 'CN502'],
      ['generic-plasma', 'BUF-UP', 'BUF-ICU', 'BUF-LO'],
    ] as const) {
      const complaint = saying(['brief'], { buzz: 'brief' });
      const lines = ['blinks 4', 'vscan -2'];
      const before = told(sheet, complaint, lines);
      const pulled = adviseOn(before).probes.map(({ probe }) => probe.context.unplugged);
      expect([pulled.some((plugs) => plugs.includes(plug)), pulled.some((plugs) => plugs.includes(other))]).toContain(
        true,
      );
      const half = [...lines, `unplug ${plug}`, 'buzz yes', 'picture upper_dark'];
      expect(first(told(sheet, complaint, half)).fault.id).toBe(`${chip}.short`);
      const still = first(told(sheet, complaint, [...lines, `unplug ${plug}`, 'vscan -2'])).fault;
      expect(still.id).not.toBe(`${chip}.short`);
    }
  });

  it('a plug that carries the on-command: cut that lead or strap the command, and what stands is expected', () => {
    const live = (lines: readonly string[]) => {
      const job = told('generic-plasma', saying([]), lines);
      return job.predictions.behaviour(undefined, { ...job.bench.context, power: 'live' }).nets;
    };
    const { netIndex } = told('generic-plasma', saying([]), []).predictions.model;
    const vs = (lines: readonly string[]) => live(lines)[netIndex.get('vs')!]!.ratio;
    expect(vs([])).toBe(1);
    expect(vs(['unplug P-MAIN'])).toBe(0);
    expect(vs(['unplug P-MAIN', 'strap on'])).toBe(1);
    expect(vs(['unplug P-MAIN', 'strap on', 'unstrap on'])).toBe(0);
    expect(vs(['cut P-MAIN on'])).toBe(0);
    expect(vs(['cut P-MAIN v12'])).toBe(1);
    // The twelve volts come back with their lead to the main board cut: what shorts them is there.
    const lead = ['blinks 2', 'v12-ohms 0.4', 'cut P-MAIN v12', 'v12-ohms 900'];
    const { fault } = first(told('generic-plasma', saying(['brief']), lead));
    expect(fault.id).toBe('AMP.short');
  });

  it.each(['generic-crt-colour', 'pellisar-tc-14', 'generic-crt-mono'])(
    '%s: a lit line proves that the supply runs, whatever the sound does',
    (sheet) => {
      const job = told(sheet, saying([]), ['picture horizontal_line', 'sound no']);
      const dead = adviseOn(job)
        .posterior.suspects.filter(
          ({ fault: { appears, sets } }) => appears === 'always' && (sets.get('bplus') ?? 1) < 0.1,
        )
        .reduce((sum, { probability }) => sum + probability, 0);
      expect(dead).toBeLessThan(0.02);
    },
  );

  it('goes on rightly after a misread: the next readings win it back', () => {
    const job = told('pellisar-tc-14', saying(['flood_green']), ['kg 121', 'cg 60', 'eg 2.0', 'bg 2.64', 'R201 27k']);
    expect(first(job).fault.id).toBe('R201.drifted');
  });

  it('a fault its netlist does not know, and that its sheet tells by the volts read, stands against something unlisted', () => {
    const { suspects } = adviseOn(
      told('generic-crt-mono', saying([]), ['brt-dc 70.3', 'k-dc 42.7', 'vemit 2.44', 'vhi-dc 180.2', 'k-g1-dc 60']),
    ).posterior;
    const chance = (id: string) => suspects.find(({ fault }) => fault.id === id)!.probability;
    expect(chance('BRT-VR.misset')).toBeGreaterThan(chance('video_out?.as-BRT-VR.misset'));
  });

  it('lets the screen voltage of a dark tube be asked before its heater is condemned', () => {
    const job = told('pellisar-tc-14', saying(['dark'], { rustle: 'yes' }), ['bplus 112', 'eht 23000', 'heater 6.3']);
    expect(first(job).fault.id).not.toBe('R441.open');
  });

  it('heat and cold tell a capacitor that is dry while cold, on a warm set too, from a joint', () => {
    const chance = (id: string, lines: readonly string[]) =>
      adviseOn(told('halvane-hp-42', saying(['upper_dark']), lines)).posterior.suspects.find(
        ({ fault }) => fault.id === id,
      )?.probability ?? 0;
    expect(chance('C547.dry', ['chill-scan answers'])).toBeGreaterThan(1.5 * chance('C547.dry', []));
    expect(chance('C547.dry', ['chill-scan nothing'])).toBeLessThan(0.5 * chance('C547.dry', []));
    const warmed = ['picture upper_dark', 'warm', 'picture normal'];
    expect(chance('C547.dry', [...warmed, 'chill-scan answers'])).toBeGreaterThan(chance('C547.dry', warmed));
    expect(chance('CN501.joint', ['chill-scan answers'])).toBeLessThan(1.5 * chance('CN501.joint', []));
  });

  it('asks for a second press of what is easily missed, and takes it for less than a first', () => {
    const chance = (...lines: string[]) =>
      adviseOn(told('halvane-hp-42', saying(['upper_dark']), lines)).posterior.suspects.find(
        ({ fault }) => fault.id === 'CN501.joint',
      )!.probability;
    const [none, once, twice, often] = [0, 1, 2, 4].map((count) =>
      chance(...Array.from({ length: count }, () => 'press-scan nothing')),
    ) as [number, number, number, number];
    expect(once).toBeLessThan(none * 0.6);
    expect(twice).toBeLessThan(once * 0.8);
    expect(twice / once).toBeGreaterThan(once / none);
    expect(often).toBeCloseTo(twice, 6);
    const after = adviseOn(told('halvane-hp-42', saying(['upper_dark']), ['press-scan nothing']));
    expect(after.probes.some(({ probe }) => probe.check.id === 'press-scan')).toBe(true);
  });
});
