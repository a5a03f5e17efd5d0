import { spawnSync } from 'node:child_process';
import { mkdtempSync, readdirSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { describe, expect, it } from 'vitest';
import { smallSheet } from '../../tests/fixtures/smallSheet';
import { ac, faults, op, tran } from './circuits';
import { evaluate, policy, soak } from './planning';
import { checkSheet, simulate, suspects } from './sheets';
import { basket, harvest, substitute } from './supply';

const folder = mkdtempSync(path.join(os.tmpdir(), 'tovrik-cli-'));
const file = (name: string, text: string) => {
  writeFileSync(path.join(folder, name), text);
  return path.join(folder, name);
};
const plasma = path.resolve('src/sheets/halvane-hp-42.yaml');
const mono = path.resolve('src/sheets/generic-crt-mono.yaml');
const small = file('small.yaml', smallSheet);

describe('sheet check', () => {
  it('counts, warns and lists what no test tells apart', () => {
    expect(checkSheet.run([plasma])).toMatchObject({
      sheet: 'halvane-hp-42',
      counts: { blocks: 18 },
      indistinguishable: expect.arrayContaining([['CN501.joint', 'CN501.loose']]) as unknown,
    });
  });

  it('says where a sheet is wrong', () => {
    expect(() => checkSheet.run([file('broken.yaml', smallSheet.replace('needs: [mains]', 'needs: [mians]'))])).toThrow(
      /line 20, column \d+: .*mians/,
    );
    expect(() => checkSheet.run([file('long.yaml', 'x'.repeat(10_000_000))])).toThrow(/longer than 8 MB/);
    expect(() => checkSheet.run([path.join(folder, 'nowhere.yaml')])).toThrow(/cannot be read \(ENOENT\)/);
    expect(() => checkSheet.run([])).toThrow(/name the sheet/);
  });
});

describe('simulate', () => {
  it('gives nets, points, signs, picture and code', () => {
    const shorted = simulate.run([small, '--fault', 'Q1.short']);
    expect(shorted).toMatchObject({
      code: 3,
      tripped: ['guard'],
      nets: { vs: { volts: 0, shorted: true } },
      picture: ['dark'],
    });
    const isolated = simulate.run([small, '--fault', 'Q1.short', '--unplug', 'CN1']);
    expect(isolated).toMatchObject({
      code: 0,
      nets: { vs: { volts: 180, ratio: 1 } },
      points: { 'vs-dc': '180 V', 'vs-load-dc': '0 V' },
    });
    expect(simulate.run([small, '--fault', 'none'])).toMatchObject({ picture: ['normal'], code: 0 });
    expect(simulate.run([small, '--fault', 'C2.dry', '--state', 'unplugged'])).toMatchObject({
      nets: { mains: { volts: 0 } },
    });
  });

  it.each([
    [['--fault', 'Q1.shrot'], /no fault "Q1.shrot"; near it: Q1.short/],
    [['--fault', 'Q1.short', '--unplug', 'CN9'], /no connector "CN9"; it has CN1/],
    [['--fault', 'Q1.short', '--state', 'asleep'], /live or unplugged/],
    [[], /name a fault/],
    [['--fault'], /--fault needs a value/],
    [['--volume', '11'], /no option --volume here/],
  ])('refuses %j', (argv, message) => {
    expect(() => simulate.run([small, ...argv])).toThrow(message);
  });
});

describe('suspects', () => {
  it('reads observations a line each, with comments and changes of the set', () => {
    const observed = file(
      'seen.txt',
      '# at the bench\npicture upper_dark\n\nvfu 9.1   # weak\nC547 esr 2.9\nwarm\nvfu 14.9\n',
    );
    const found = suspects.run([plasma, '--observe', observed]) as {
      suspects: { fault: string; probability: number; reasons: { raises: boolean }[] }[];
      decision: string;
      repair: { title: string };
      next: unknown[];
    };
    expect(found.suspects[0]).toMatchObject({ fault: 'C547.dry' });
    expect(found.suspects[0]!.probability).toBeGreaterThan(0.95);
    expect(found.suspects[0]!.reasons.some(({ raises }) => raises)).toBe(true);
    expect(found.repair.title).toContain('C547');
  });

  it('takes what no sheet knows, as the bench does: a part measured by itself counts once it is said what it does', () => {
    const lines = ['picture one_line_across', 'C214 220u 35V esr 6'];
    const of = (name: string, ...more: readonly string[]) =>
      suspects.run([mono, '--observe', file(name, [...lines, ...more].join('\n'))]) as {
        suspects: { fault: string }[];
        found: { part: string; putIn?: string }[];
      };
    expect(of('measured.txt').found).toMatchObject([{ part: 'C214', putIn: 'part C214 220u shunts v12' }]);
    const placed = of('placed.txt', 'part C214 220u 35V frame drives vyoke');
    expect(placed.suspects[0]!.fault).toBe('C214.dry');
    expect(placed.found).toMatchObject([{ part: 'C214', action: 'Fit a new electrolytic C214' }]);
  });

  it('goes by how the set shows what is wrong with it', () => {
    const joints = (name: string, shows: string) => {
      const found = suspects.run([mono, '--observe', file(name, `picture one_line_across\n${shows}`)]) as {
        suspects: { fault: string; probability: number }[];
      };
      return found.suspects
        .filter(({ fault }) => fault.endsWith('.joint'))
        .reduce((sum, { probability }) => sum + probability, 0);
    };
    expect(joints('fades.txt', 'shows comes and goes')).toBeGreaterThan(joints('stays.txt', 'shows lasting') + 0.1);
    expect(() => joints('odd.txt', 'shows on Sundays')).toThrow(
      /line 2: "on Sundays" is no manner of showing; it may be lasting \(all the time\), random/,
    );
  });

  it('takes what a label leaves out for a guess on a sheet of any make', () => {
    const anyMake = path.resolve('src/sheets/generic-plasma.yaml');
    const seen = file('label.txt', 'vs 179');
    const why = (...label: string[]) => JSON.stringify(suspects.run([anyMake, '--observe', seen, ...label]));
    expect(why('--label', 'vs=190')).toContain('a good set gives 190 V ±2 %');
    expect(why('--label', 'va=60')).toContain('a good set gives 185 V ±25 %');
    expect(() => why('--label', 'vs=high')).toThrow('--label vs is in volts, like vs=187, not "high"');
    expect(() => why('--label', 'vx=12')).toThrow(/no field "vx" on its label; it has vs, va,/);
  });

  it('reads a line as the bench does, in the state that it needs: a capacity is none of an ESR', () => {
    const cold = suspects.run([plasma, '--observe', file('capacity.txt', 'vs 187\nC547 33u\nvs 187')]);
    expect(cold).toMatchObject({ found: [{ part: 'C547', said: '33 % of its capacity' }] });
  });

  it('names the file and line of what it cannot read', () => {
    expect(() => suspects.run([plasma, '--observe', file('bad.txt', 'vs 187\n\nabc 12\n')])).toThrow(
      /bad.txt, line 3: Halvane HP-42 has no point "abc"/,
    );
    expect(() => suspects.run([plasma])).toThrow(/--observe/);
  });
});

describe('policy and evaluate', () => {
  /** Two faults in equal parts, one test that tells them apart for 1, repairs at 10 and 30. */
  const twoFaults = {
    id: 'two',
    start: 'live',
    states: ['live'],
    switch: { live: { live: 0 } },
    faults: [
      { id: 'a', prior: 0.5, repairCost: 10, state: 'live' },
      { id: 'b', prior: 0.5, repairCost: 30, state: 'live' },
    ],
    tests: [{ id: 'look', cost: 1, state: 'live', outcomes: { left: { a: 1, b: 0 }, right: { a: 0, b: 1 } } }],
  };

  it('follows the plan to its exact cost', () => {
    // With the test 1 + (10 + 30) / 2; without it 10 + 30 / 2.
    expect(policy.run([file('two.json', JSON.stringify(twoFaults))])).toMatchObject({
      expectedCost: 21,
      first: 'look',
    });
    const dear = { ...twoFaults, tests: [{ ...twoFaults.tests[0], cost: 9 }] };
    expect(policy.run([file('dear.json', JSON.stringify(dear))])).toMatchObject({ expectedCost: 25, first: 'a' });
  });

  it('names the file and the line of chances that do not sum to one', () => {
    const text = JSON.stringify({
      ...twoFaults,
      faults: [{ ...twoFaults.faults[0], prior: 0.7 }, twoFaults.faults[1]],
    });
    expect(() => policy.run([file('heavy.json', text)])).toThrow(/heavy\.json: line 1: .*1\.2/);
    expect(() => policy.run([])).toThrow(/name the file/);
  });

  it('hunts every fault of a sheet, laid over others and with its options chosen', () => {
    const over = file('over.yaml', 'format: tovrik-sheet/1\nid: over\nextends: small\ntitle: Over\n');
    const found = evaluate.run([over, '--extends', small]);
    expect(found).toMatchObject({ sheet: 'over', policy: 'tovrik', faults: 3, cured: 3 });
    expect(evaluate.run([over, '--extends', small, '--policy', 'checklist'])).toMatchObject({ policy: 'checklist' });
    expect(() => evaluate.run([small, '--policy', 'luck'])).toThrow(/tovrik, checklist, random, not "luck"/);
    expect(() => evaluate.run([small, '--noise', '3'])).toThrow(/share from 0 to 0.5/);
    expect(() => evaluate.run([file('none.yaml', 'format: tovrik-sheet/1\nid: x\nextends: nowhere\n')])).toThrow(
      /nowhere/,
    );
  });
});

describe('op, tran, ac and faults', () => {
  const filter = file(
    'filter.cir',
    '* low-pass\nV1 a 0 DC 10 AC 1\nR1 a out 1k\nC1 out 0 1u\nR2 out 0 1meg\n.ac dec 1 10 1000\n.tran 10u 1m\n',
  );
  const divider = file('divider.cir', '* divider\nV1 a 0 12\nR1 a mid 10k\nR2 mid low 4k\nR3 low 0 1k\n');
  const rows = (csv: string) =>
    csv
      .trim()
      .split('\n')
      .slice(1)
      .map((row) => row.split(',').map(Number));

  it('print operating points, runs and responses', () => {
    expect(op.run([divider])).toEqual({
      nodes: { a: 12, mid: expect.closeTo(4, 6) as number, low: expect.closeTo(0.8, 6) as number },
    });
    const run = tran.run([filter, '--nodes', 'a,out']);
    expect(run.split('\n')[0]).toBe('time,a,out');
    const times = rows(run).map(([time]) => time!);
    expect(times).toEqual([...times].sort((a, b) => a - b));
    expect(times[times.length - 1]).toBeCloseTo(1e-3, 9);
    expect(ac.run([filter, '--nodes', 'out']).split('\n')[0]).toBe('freq,mag,phase');
    for (const [freq, mag] of rows(ac.run([filter, '--nodes', 'out'])))
      expect(mag).toBeCloseTo(1 / Math.hypot(1.001, 2 * Math.PI * freq! * 1e-3), 4);
  });

  it('name the part that explains what was read, and those that no reading tells apart', () => {
    const found = faults.run([divider, '--read', 'mid=12', 'low=0', '--read', 'a=12']) as {
      ref: string;
      mode: string;
      group: number;
      probability: number;
    }[];
    expect(found[0]).toMatchObject({ ref: 'R2', mode: 'open' });
    expect(found.reduce((sum, one) => sum + one.probability, 0)).toBeGreaterThan(0.99);
    const [first, second] = faults.run([divider, '--read', 'a=12']) as typeof found;
    expect(first!.group).toBe(second!.group);
  });

  it.each([
    [() => op.run([]), /name the file of the netlist/],
    [() => op.run([file('bad.cir', '* bad\nR1 a 0\n')]), /bad\.cir: line 2: a value is missing/],
    [() => tran.run([filter]), /name nodes with --nodes; there are a, out/],
    [() => tran.run([filter, '--nodes', 'b']), /no node "b"; there are a, out/],
    [() => ac.run([divider, '--nodes', 'mid']), /divider\.cir has no \.ac line/],
    [() => faults.run([divider]), /--read node=volts/],
    [() => faults.run([divider, '--read', 'mid=lots']), /mid=lots: a voltage is written like mid=12\.4/],
    [() => faults.run([divider, '--read', 'top=3']), /no node "top"; there are a, mid, low/],
  ])('refuse what they cannot use (%#)', (run, message) => {
    expect(run).toThrow(message);
  });
});

describe('the command itself', () => {
  const run = (...argv: string[]) =>
    spawnSync(process.execPath, ['bin/tovrik', ...argv], {
      encoding: 'utf8',
      env: { ...process.env, TOVRIK_DB: path.join(folder, 'own.db') },
    });

  it('prints JSON, or one line and exit 2', () => {
    const good = run('simulate', small, '--fault', 'F1.open');
    expect(good.status).toBe(0);
    expect(JSON.parse(good.stdout)).toMatchObject({ fault: 'F1.open', picture: ['dark'] });
    const bad = run('simulate', small, '--fault', 'F9.open');
    expect([
      bad.status,
      bad.stdout,
      bad.stderr
        .trim()
        .split('\n')
        .filter((line) => !line.startsWith('npm')).length,
    ]).toEqual([2, '', 1]);
    expect(run('sing').stderr).toMatch(/no command "sing"/);
  }, 300_000);

  it('says of every command what it takes', () => {
    const overview = run('--help');
    expect(overview.status).toBe(0);
    const names = [...overview.stdout.matchAll(/^tovrik ((?:sheet )?[a-z-]+)(?= ["A-Z-]|$)/gm)].map(
      ([, name]) => name!,
    );
    expect(names).toContain('crosshatch');
    expect(names).toHaveLength(overview.stdout.match(/^tovrik [a-z]/gm)!.length);
    for (const name of names) expect(run(...name.split(' '), '--help').stdout).toContain(`tovrik ${name}`);
    expect(run('suspects', '--help').stdout).toMatch(/--observe FILE +the observations/);
  }, 300_000);

  it('backs the data up', () => {
    expect(run('backup', path.join(folder, 'copies')).status).toBe(0);
    expect(readdirSync(path.join(folder, 'copies'))[0]).toMatch(/^tovrik-.*\.db$/);
  }, 300_000);
});

describe('soak', () => {
  it('says how far a clean run is to be believed, and how long it has to be', () => {
    expect(soak.run(['--failures', '3', '--hours', '10', '--cure', '0.8', '--clean', '10'])).toMatchObject({
      cleanIfNotCured: 0.125,
      cured: expect.closeTo(0.8 / 0.825, 9) as unknown,
      hoursFor: { 0.9: expect.closeTo(10 * (2.25 ** (1 / 3) - 1), 9) as unknown },
    });
  });

  it.each([
    [[], /--failures is a number/],
    [['--failures', '0', '--hours', '10'], /at least once/],
    [['--failures', '3', '--hours', '10', '--cure', '1.2'], /share between 0 and 1/],
  ])('refuses %j', (argv, message) => expect(() => soak.run(argv)).toThrow(message));
});

describe('substitute', () => {
  it('gives the verdict with every figure, and what to alter', () => {
    expect(
      substitute.run(['Q npn 1500V 8A damper', 'Q npn 1500V 10A', '--place', '1100 V peak line-output']),
    ).toMatchObject({
      verdict: 'watch',
      original: { kind: 'transistor', read: 'Q npn 1500V 8A damper' },
      place: '1100 V peak line-output',
      fields: expect.arrayContaining([expect.objectContaining({ field: 'damper', verdict: 'watch' })]) as unknown,
      alter: [expect.stringContaining('damper diode')],
    });
  });

  it.each([
    [['C 1u 50V'], /name two parts/],
    [['C 1u 50V', 'R 1k'], /never stands for a capacitor/],
    [['C 1u 50V', 'C 1u blue'], /the candidate: "blue" is nothing/],
    [['C 1u 50V', 'C 1u 50V', '--place', 'nowhere'], /the place: "nowhere" says nothing/],
  ])('refuses %j', (argv, message) => expect(() => substitute.run(argv)).toThrow(message));
});

describe('basket and harvest', () => {
  const order =
    'lines: [{ id: can, needs: 4 }]\nsuppliers: [{ id: S, postage: 2, days: 3, offers: [{ line: can, price: 1 }] }]\n';
  const donor = 'minutes: 30\nparts:\n  - { id: chip, count: 2, minutes: 20, demand: 3, worth: 10 }\n';

  it('say what to order where, and what patience saves', async () => {
    const path = file('order.yaml', order);
    expect(await basket.run([path])).toMatchObject({
      cost: 6,
      exact: true,
      missing: [],
      patience: [{ days: 3, cost: 6 }],
    });
    expect(await basket.run([path, '--days', '2'])).toMatchObject({ cost: 0, missing: [{ line: 'can', count: 4 }] });
  });

  it('say what to take from a donor in the time there is', async () => {
    expect(await harvest.run([file('donor.yaml', donor)])).toMatchObject({
      take: [{ part: 'chip', count: 1, minutes: 20 }],
      leave: [{ part: 'chip', count: 1 }],
    });
  });

  it('say where a file is wrong', async () => {
    await expect(async () => basket.run([file('bad.yaml', order.replace('4', 'four'))])).rejects.toThrow(
      /bad.yaml: line 1: /,
    );
    await expect(async () => basket.run([])).rejects.toThrow(/name one file/);
    await expect(async () => harvest.run([file('late.yaml', donor.replace('30', '-3'))])).rejects.toThrow(
      /line 1: minutes is/,
    );
  });
});
