import { describe, expect, it } from 'vitest';
import { shippedSheets, shippedTexts } from '@/sheets';
import { netlistOf } from '@/sheets/stages';
import { predictionsOf } from '../behaviour';
import { readEntry } from '../entry';
import { type LogBody, type LogEntry, replay } from '../log';
import { judgeAnswer } from '../reading';
import { openSheet, readSheet, type Sheet } from '../sheet';
import { adviseOn, briefingOf, type Case, contextFor, foundParts, leadOf, told, transition } from '.';

/** A job by what was typed of it; the switching on and off that this takes is done between. */
function jobOn(on: string | Sheet, ...lines: readonly string[]): Case {
  const sheet = openSheet(typeof on === 'string' ? shippedSheets().get(on)! : on);
  const predictions = predictionsOf(sheet);
  const stores = [...sheet.stores.keys()];
  const log: LogEntry[] = [];
  const record = (body: LogBody) => log.push({ id: `line-${log.length}`, at: '2026-11-01T10:00:00Z', body });
  record({ kind: 'power', power: 'live' });
  for (const line of lines) {
    const { context } = replay(log, stores);
    const entry = readEntry(line, { sheet, checks: predictions.checks });
    if (entry.kind === 'change') {
      record(entry.body);
      continue;
    }
    for (const step of transition(sheet, context, contextFor(context, entry.check.state), () => 0)) record(step);
    record({ kind: 'reading', check: entry.check.id, answer: entry.answer, text: line });
  }
  return {
    predictions,
    complaint: { symptoms: [], signs: {} },
    bench: replay(log, stores),
    closed: new Map(),
    hourlyRate: 20,
  };
}

const suspectsOf = (job: Case) => told(adviseOn(job).posterior);
const chanceOf = (job: Case, id: string) => suspectsOf(job).find(({ fault }) => fault.id === id)?.probability ?? 0;
const blockOf = (job: Case, fault: { readonly part: string }) =>
  job.predictions.model.sheet.parts.get(fault.part)!.block;

describe('readings as benches give them', () => {
  it('an intact fuse reads a fifth of an ohm: it is whole, and no slip', () => {
    const job = jobOn('generic-crt-colour', 'picture dark', 'fuse-ohms 0.2');
    const { posterior } = adviseOn(job);
    const { answer, context, check } = job.bench.readings.at(-1)!;
    expect(judgeAnswer(job.predictions, job.predictions.checks.get(check)!, answer, context).mark).toBe('within');
    expect(posterior.doubts).toEqual([]);
    expect(chanceOf(job, 'FUSE.open')).toBeLessThan(0.01);
  });

  it.each(['21k', '150k', '4M', 'OL'])('a load resistor of 9k1 that reads %s twice is bad, and no slip', (read) => {
    const job = jobOn('generic-crt-mono', `vload ${read}`, `vload ${read}`);
    const of = suspectsOf(job).filter(({ fault }) => fault.part === 'VID-LOAD');
    expect(of.reduce((sum, { probability }) => sum + probability, 0)).toBeGreaterThan(0.8);
    expect(adviseOn(job).posterior.doubts).toEqual([]);
  });

  it('1.8 V where 5 V belongs, read twice, is a fact that moves the suspects', () => {
    const once = suspectsOf(jobOn('generic-crt-colour', 'picture dark'));
    const job = jobOn('generic-crt-colour', 'picture dark', 'v5s 1.8', 'v5s 1.8');
    expect(adviseOn(job).posterior.doubts).toEqual([]);
    const inStandby = (suspects: ReturnType<typeof suspectsOf>) =>
      suspects.filter(({ fault }) => blockOf(job, fault) === 'standby').reduce((sum, one) => sum + one.probability, 0);
    expect(inStandby(suspectsOf(job))).toBeGreaterThan(0.8);
    expect(inStandby(suspectsOf(job))).toBeGreaterThan(4 * inStandby(once));
  });

  it.each([
    ['generic-plasma', 'FLOAT-RU.open', ['picture upper_dark', 'vfu 6.6', 'floatru OL', 'floatru OL', 'vfu 6.6']],
    ['generic-crt-mono', 'VHI-R.open', ['picture dim', 'vhi 80', 'vhi-feed-ohms OL', 'vhi-feed-ohms OL', 'vhi 79']],
    ['generic-plasma', 'Y-RECL.open', ['picture faint', 'buzz weak', 'ywave 262', 'yrecl OL', 'yrecl OL', 'ywave 263']],
  ])(
    '%s: %s is named by its own ohms though its rail stands higher or lower than the sheet has it',
    (on, id, lines) => {
      const job = jobOn(on, ...lines);
      expect(chanceOf(job, id)).toBeGreaterThan(0.9);
      expect(adviseOn(job).posterior.doubts).toEqual([]);
    },
  );

  it('ripple that a spent reservoir sends through its regulator is laid to the reservoir, listed or not', () => {
    const { faults, ...rest } = shippedSheets().get('generic-crt-mono')!;
    const left = new Map([...faults].filter(([id]) => id !== 'RES-C.dry'));
    const job = jobOn({ ...rest, faults: left }, 'picture wavy', 'bplus-ripple 10', 'res-esr 6.7', 'res-esr 6.7');
    const [first] = suspectsOf(job);
    expect(blockOf(job, first!.fault)).toBe('reservoir');
  });

  it('a rail a volt or two below ground is as dead as one at nought', () => {
    const at = (volts: string) => {
      const job = jobOn('generic-crt-colour', 'picture white_flood', `vhi ${volts}`);
      return suspectsOf(job)
        .filter(({ fault }) => fault.sets.get('vhi') === 0)
        .reduce((sum, one) => sum + one.probability, 0);
    };
    expect(at('0')).toBeGreaterThan(0.4);
    expect(at('-1.5')).toBeGreaterThan(0.8 * at('0'));
  });
});

describe('a rail and a part put in at the bench', () => {
  const own = `
format: tovrik-sheet/1
id: own
extends: generic-projection-tubes
title: Lecture hall projector
points:
  tp31: { measure: dc, net: vcm, where: TP31, board: main }
  R902-ohms: { title: Resistor R902, measure: ohms, parts: [ R902 ], board: main, minutes: 2 }
nets:
  vcm: { title: vcm, volts: -24, tolerance: 8%, source: manual }
blocks:
  supply:
    makes: [ bplus, v15, vcm ]
    parts:
      R902:
        kind: resistor
        title: Resistor R902
        value: 2R2
        faults: { open: { weight: 2, sets: { vcm: dead } }, drifted: { weight: 2, sets: { vcm: low } } }
  conv_supply: { needs: [ bplus, vcm ] }
`;
  const sheet = readSheet(own, { textOf: (id) => shippedTexts().get(id), netlistOf });

  it.each(['-3', '-9', '-17'])('the part that reads far off leads where its rail is at %s V of -24 V', (volts) => {
    const job = jobOn(sheet, 'picture bent_colours', `tp31 ${volts}`, 'R902 310', 'R902 312', `tp31 ${volts}`);
    expect(suspectsOf(job)[0]!.fault.part).toBe('R902');
  });
});

describe('a rail of which nobody knows what it feeds', () => {
  const own = (needs: string) => `
format: tovrik-sheet/1
id: own
extends: generic-plasma
title: Foyer screen
points:
  tp12: { measure: dc, net: vlog, where: TP12, board: lower }
  R741-ohms: { title: Resistor R741, measure: ohms, parts: [ R741 ], board: lower, minutes: 2 }
nets:
  vlog: { title: vlog, volts: 5, tolerance: 8%, source: manual, partial: true }
blocks:
  floating: { makes: [ vfu, vfl, vlog ] }
  lower:
    ${needs}
    parts:
      R741: { kind: resistor, title: Resistor R741, value: 4R7, faults: { open: { weight: 2, sets: { vlog: dead } } } }
`;
  const sheetWith = (needs: string) => readSheet(own(needs), { textOf: (id) => shippedTexts().get(id), netlistOf });
  const lines = ['picture row_band', 'band_low yes', 'band_up no', 'tp12 0.4', 'tp12 0.4'];

  it.each([
    ['what the block is known to need', 'needs: [ y_wave, vscan, vfl, buf_ctl, vlog ]'],
    ['nothing that is known', 'needs: [ y_wave, vscan, vfl, buf_ctl ]'],
  ])('explains what a fault of the block it feeds may show, where it is of %s', (_, needs) => {
    const job = jobOn(sheetWith(needs), ...lines);
    expect(adviseOn(job).posterior.doubts).toEqual([]);
    const [first] = suspectsOf(job);
    expect([blockOf(job, first!.fault), first!.fault.part]).toSatisfy(
      ([block, part]: readonly string[]) => block === 'lower' || block === 'floating' || part === 'R741',
    );
    const measured = jobOn(sheetWith(needs), ...lines, 'R741 OL');
    expect(suspectsOf(measured)[0]!.fault.part).toBe('R741');
    expect(suspectsOf(measured)[0]!.probability).toBeGreaterThan(0.8);
  });

  it('leads by its own volts read twice over what the picture alone speaks for, whatever that is', () => {
    const needs = 'needs: [ y_wave, vscan, vfl, buf_ctl, vlog ]';
    const job = jobOn(sheetWith(needs), 'picture dim', 'vs 186', 'va 64', 'v15 14.9', ...lines.slice(-2));
    expect(suspectsOf(job)[0]!.fault.part).toSatisfy((part: string) => ['R741', 'lower?', 'floating?'].includes(part));
    expect(chanceOf(job, 'VSCAN-C.dry')).toBeLessThan(0.3);
  });

  it('explains a field that shrank by its supply at half, and nothing is left to cure beside it', () => {
    const mono = readSheet(
      `
format: tovrik-sheet/1
id: own
extends: generic-crt-mono
title: Quay portable
points:
  v27-dc: { measure: dc, net: v27, where: TP9, board: line }
  R441-ohms: { title: Resistor R441, measure: ohms, parts: [ R441 ], board: line, minutes: 2 }
nets:
  v27: { title: v27, volts: 27, tolerance: 8%, source: manual, partial: true }
blocks:
  line_output:
    makes: [ hyoke, eht, xsense, g2, focus, heater, vhi, vpos, vneg, v27 ]
    parts:
      R441: { kind: resistor, title: Resistor R441, value: 2R2, own: true, faults: { open: { sets: { v27: dead } }, drifted: { sets: { v27: low } } } }
  field_output: { needs: [ vpos, vneg, vosc, v27 ] }
`,
      { textOf: (id) => shippedTexts().get(id), netlistOf },
    );
    const job = jobOn(mono, 'picture short_picture', 'v27 13.6', 'v27 13.5', 'R441 48');
    expect(chanceOf(job, 'R441.drifted')).toBeGreaterThan(0.9);
    const repair: LogBody = {
      kind: 'repair',
      action: 'replace:R441',
      title: 'Fit a new resistor R441',
      cures: ['R441.open', 'R441.drifted'],
      money: 0,
      minutes: 13,
      note: '',
    };
    const entries: LogEntry[] = [
      { id: 'on', at: '2026-11-01T10:00:00Z', body: { kind: 'power', power: 'live' } },
      ...job.bench.readings.map(({ entry, check, answer }) => ({
        ...entry,
        body: { kind: 'reading' as const, check, answer, text: '' },
      })),
      { id: 'repair', at: '2026-11-01T10:00:00Z', body: repair },
    ];
    expect(adviseOn({ ...job, bench: replay(entries, []) }).curedChance).toBeGreaterThan(0.9);
  });

  it('does not make a set dark that shows a right picture', () => {
    const job = jobOn(
      sheetWith('needs: [ y_wave, vscan, vfl, buf_ctl, vlog ]'),
      'picture normal',
      'tp12 0.4',
      'tp12 0.4',
    );
    expect(adviseOn(job).posterior.doubts).toEqual([]);
  });
});

describe('what no sheet lists', () => {
  it('is located by what surrounds it, and never blamed on a listed part that reads right', () => {
    const job = jobOn(
      'generic-crt-colour',
      'picture white_flood',
      'bplus 114',
      'vhi -1.2',
      'kr 3',
      'vhi-feed-ohms 1.2',
    );
    const { sheet } = job.predictions.model;
    expect(chanceOf(job, 'VHI-R.open')).toBeLessThan(0.05);
    const unlisted = suspectsOf(job).find(({ fault }) => fault.mode === 'unlisted')!;
    expect(blockOf(job, unlisted.fault)).toBe('line_output');
    expect(unlisted.probability).toBeGreaterThan(0.2);
    expect(leadOf(adviseOn(job).posterior, sheet).stated).toBeLessThan(0.9);
  });

  it('weighs in all what the sheet says it leaves out, and nothing where the sheet is whole', () => {
    const sheet = shippedSheets().get('generic-crt-mono')!;
    const { predictions } = jobOn('generic-crt-mono');
    const unlisted = adviseOn({ ...jobOn('generic-crt-mono'), predictions }).posterior.suspects.filter(
      ({ fault }) => !sheet.faults.has(fault.id),
    );
    expect(unlisted.reduce((sum, { prior }) => sum + prior, 0)).toBeCloseTo(1 - sheet.complete, 1);
    expect(openSheet({ ...sheet, complete: 1 }).faults.size).toBe(sheet.faults.size);
  });
});

describe('what acts on a net from a block that the sheet does not tie to it', () => {
  const text = shippedTexts().get('halvane-hp-42')!;
  const [remote] = /REMOTE: \{.*\}/.exec(text)!;
  const sheet = readSheet(text.replace(remote, 'REMOTE: { kind: battery, title: Remote batteries }'), {
    textOf: (id) => shippedTexts().get(id),
    netlistOf,
  });
  const noCommand = ['picture dark', 'on 0', 'light yes', 'v5s 5.02', 'C812 esr 0.1', 'try-remote same'];
  const again = ['picture dark', 'on 0', 'light yes', 'v5s 5.01'];
  const inVain = [
    'reseated CN801',
    'traced brain',
    ...again,
    'swapped main',
    ...again,
    'traced standby',
    ...again,
    'replaced C812',
    ...again,
  ];
  const pursuitOf = (job: Case) => adviseOn(job).repairs.find(({ action }) => action.id === 'follow:on');

  it('is hardly thought of at first', () => {
    const job = jobOn(sheet, ...noCommand);
    expect(suspectsOf(job)[0]!.fault.mode).not.toBe('elsewhere');
    expect(pursuitOf(job)?.chance ?? 0).toBeLessThan(0.05);
  });

  it('is what to go after once the blocks that are tied to the net were dealt with in vain', () => {
    const job = jobOn(sheet, ...noCommand, ...inVain);
    expect(
      suspectsOf(job)
        .slice(0, 2)
        .map(({ fault }) => fault.part),
    ).toContain('on~');
    expect(adviseOn(job).repairs[0]!.action).toMatchObject({ id: 'follow:on', method: 'follow' });
    // It is somewhere else than on the boards that were put in anew.
    expect(pursuitOf(job)!.action.title).toBe('Follow On command to all that it touches');
    const after = jobOn(sheet, ...noCommand, ...inVain, 'traced on', ...again);
    expect(pursuitOf(after)?.chance ?? 0).toBeLessThan(0.5 * pursuitOf(job)!.chance);
  });
});

describe('a picture that no listed fault shows', () => {
  it('is laid to something unlisted, seen in the picture', () => {
    const plain = shippedSheets().get('halvane-hp-42')!;
    const without = {
      ...plain,
      faults: new Map([...plain.faults].filter(([, { shows }]) => !shows.includes('cracked_glass'))),
    };
    const predictions = predictionsOf(openSheet(without));
    const job = { ...jobOn('halvane-hp-42', 'picture cracked_glass', 'picture cracked_glass'), predictions };
    const [before, after] = [{ ...job, bench: replay([], []) }, job].map((one) =>
      told(adviseOn(one).posterior)
        .filter(({ fault }) => fault.mode === 'unlisted')
        .reduce((sum, one) => sum + one.probability, 0),
    );
    expect(after).toBeGreaterThan(before! + 0.1);
  });
});

describe('what is plain to see', () => {
  it('cracked glass is the glass, and nothing beside it', () => {
    expect(chanceOf(jobOn('halvane-hp-42', 'picture cracked_glass', 'arc yes'), 'PANEL.cracked')).toBeGreaterThan(0.9);
  });

  it('a set that trips before it lights may be told as one that starts and goes off', () => {
    const job = jobOn('generic-plasma', 'picture brief', 'vs-ohms 0.5', 'unplug P-COMMON', 'vs-ohms 21k');
    expect(suspectsOf(job)[0]!.fault.id).toBe('X-FET.short');
    expect(adviseOn(job).posterior.doubts).toEqual([]);
  });

  it('a point one place off a good reading is a slip', () => {
    const slipped = jobOn('pellisar-tc-14', 'picture horizontal_line', 'v26 0.1', 'vyoke 0', 'bplus 11.2');
    expect(adviseOn(slipped).posterior.doubts.map(({ observation }) => observation.check.id)).toEqual(['bplus-dc']);
  });

  it('an open part that comes and goes is not cleared by answering to a touch', () => {
    const job = jobOn('corrowby-sm-9', 'picture normal', 'press-neck answers');
    const touched = chanceOf(job, 'VID-Q2.open');
    const left = chanceOf(jobOn('corrowby-sm-9', 'picture normal', 'press-neck nothing'), 'VID-Q2.open');
    expect(touched).toBeGreaterThan(left);
  });
});

describe('what reads otherwise at another switching on', () => {
  const shorted = (...lines: string[]) => chanceOf(jobOn('generic-plasma', 'picture brief', ...lines), 'COL-C.short');

  it('comes and goes, and what is read again at the same is put right', () => {
    const good = shorted('va 65', 'col-c-ohms OL');
    expect(shorted('col-c-ohms 0.4', 'va 65', 'col-c-ohms OL')).toBeGreaterThan(3 * good);
    expect(shorted('va 65', 'col-c-ohms 0.4', 'col-c-ohms OL') / good).toBeCloseTo(1, 1);
  });

  it('speaks against what comes and goes where it reads right each time, and once at each', () => {
    const joint = (...lines: string[]) => chanceOf(jobOn('halvane-hp-42', ...lines), 'CN501.joint');
    const right = 'picture normal';
    expect(joint(right, right, right)).toBeCloseTo(joint(right, right), 6);
    const switchings = joint(right, ...[1, 2, 3].flatMap(() => ['unplugged', 'live', right]));
    expect(switchings).toBeLessThan(0.5 * joint(right));
  });

  it('is not asked for again, slip or not', () => {
    const once = jobOn('generic-plasma', 'picture upper_dark', 'col-c-ohms 0.4');
    expect(adviseOn(once).probes[0]).toMatchObject({
      probe: { id: 'col-c-ohms' },
      doubt: expect.any(Number) as number,
    });
    const since = jobOn('generic-plasma', 'picture upper_dark', 'col-c-ohms 0.4', 'va 65', 'col-c-ohms OL');
    expect(adviseOn(since).posterior.doubts.map(({ observation: { check } }) => check.id)).toEqual(['col-c-ohms']);
    expect(adviseOn(since).probes.every(({ doubt }) => doubt === undefined)).toBe(true);
    // Nor is it said to be: what was read since stands.
    expect(briefingOf(once).doubts).toHaveLength(1);
    expect(briefingOf(since).doubts).toEqual([]);
  });
});

describe('parts found bad', () => {
  it('are not kept waiting for a reading that speaks against them', () => {
    const read = ['picture red_missing', 'cr 2.9'];
    expect(adviseOn(jobOn('generic-projection-tubes', ...read)).probes[0]!.doubt).toBeGreaterThan(0.5);
    const found = adviseOn(jobOn('generic-projection-tubes', ...read, 'rbase OL'));
    expect(found.posterior.suspects[0]!.fault.id).toBe('R-BASE.open');
    expect(found.posterior.doubts).not.toEqual([]);
    expect(found.probes.every(({ doubt }) => doubt === undefined)).toBe(true);
  });

  it('stay, each beside the others, until they are dealt with', () => {
    const looks = ['C547', 'C548', 'C551'].filter((id) => shippedSheets().get('halvane-hp-42')!.parts.has(id));
    const check = [...predictionsOf(openSheet(shippedSheets().get('halvane-hp-42')!)).checks.values()].find(
      ({ measure, point }) => measure === 'look' && looks.every((id) => point?.parts.includes(id)),
    )!;
    const lines = looks.map((id) => `${check.id} ${id}`);
    expect(foundParts(jobOn('halvane-hp-42', ...lines)).map(({ part }) => part)).toEqual(looks);
    expect(looks.length).toBeGreaterThan(1);
    const minutes = foundParts(jobOn('halvane-hp-42', ...lines)).map((one) => one.minutes);
    expect(minutes.every((one) => one > 0)).toBe(true);
  });

  it('are not called misread where what was read of them explains nothing', () => {
    const { doubts } = briefingOf(jobOn('generic-plasma', 'picture upper_dark', 'col-c-ohms 0.4'));
    expect(doubts.map(({ ofPart, twice }) => [ofPart, twice])).toEqual([[true, false]]);
  });

  it('go where the part itself then reads right', () => {
    expect(foundParts(jobOn('halvane-hp-42', 'C547 esr 2.9')).map(({ part }) => part)).toEqual(['C547']);
    expect(foundParts(jobOn('halvane-hp-42', 'C547 esr 2.9', 'C547 esr 0.1'))).toEqual([]);
  });
});
