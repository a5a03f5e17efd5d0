import { beforeAll, describe, expect, it } from 'vitest';
import { shippedSheets } from '@/sheets';
import { shippedStages } from '@/sheets/stages';
import { predictionsOf } from '../../behaviour';
import { Stage } from '../../circuit';
import { esrLimit, readBands, readCode, type BandColour } from '../../parts';
import { parseQuantity } from '../../quantity';
import { depict, type Symptom, symptomsOf, symptomTitles } from '../../picture';
import { mean, seeded, sumOf } from '../../statistics';
import {
  abilityOf,
  type Answered,
  chanceRight,
  drawDrill,
  type Drill,
  guessOf,
  isRight,
  rightAnswer,
  skills,
  type DrillMaterial,
  type TypedDrill,
  drillToAsk,
} from '.';
import { informationOf, type Item, mostTelling } from './ability';
import { nextProbeDrill } from './nextProbe';
import { bandDrill, codeDrill, esrDrill, inCircuitDrill } from './parts';
import { blinkDrill, pairDrill } from './pictureDrills';
import { dischargeDrill, loadingDrill, scopeDrill } from './readings';
import { storeDrill } from './stores';
import { junctionDrill, ringDrill } from './verdicts';

let material: DrillMaterial;
beforeAll(() => {
  const sheets = shippedSheets();
  material = {
    sets: ['halvane-hp-42', 'pellisar-tc-14', 'generic-crt-colour'].map((id) => predictionsOf(sheets.get(id)!)),
    stages: shippedStages()
      .filter(({ id }) => ['rgb-driver', 'series-regulator', 'vertical-discrete'].includes(id))
      .map(({ title, text }) => ({ title, stage: Stage.open(text) })),
  };
});

const many = (draw: (random: () => number) => Drill | undefined, count = 200): Drill[] =>
  Array.from({ length: count }, (_, seed) => draw(seeded(seed))).filter((one) => one !== undefined);
const answer = rightAnswer;
const valueOf = (text: string) => parseQuantity(text.replaceAll(' ', '')).value;

describe('a drill', () => {
  it.each(skills)('of %s has a right answer, of three or four that differ or to be typed, and a reason', (skill) => {
    const drills = many((random) => drawDrill(skill, material, random), skill === 'isolating' ? 25 : 60);
    const chosen = drills.filter((drill) => 'options' in drill);
    for (const { options, right } of chosen) {
      expect(options.length).toBeGreaterThanOrEqual(3);
      expect(new Set(options).size).toBe(options.length);
      expect(options[right]).toBeDefined();
    }
    for (const drill of drills) {
      expect(drill.why.length).toBeGreaterThan(15);
      expect(drill.ask).toMatch(/\?$/);
      expect(Math.abs(drill.difficulty)).toBeLessThan(4);
      expect(guessOf(drill)).toBe('options' in drill ? 1 / drill.options.length : 0);
      if (!('options' in drill)) expect(isRight(drill, rightAnswer(drill))).toBe(true);
    }
    // The right one stands anywhere, and one draws many.
    expect(new Set(chosen.map(({ right }) => right)).size).toBeGreaterThanOrEqual(3);
    expect(
      new Set(drills.map(({ ask, picture, bands }) => JSON.stringify([ask, picture, bands]))).size,
    ).toBeGreaterThan(8);
  });

  it('comes again by its seed', () => {
    for (const skill of skills)
      expect(drawDrill(skill, material, seeded(4))).toEqual(drawDrill(skill, material, seeded(4)));
  });

  it('of bands and codes is right by the reader of bands and codes', () => {
    for (const drill of many(bandDrill))
      expect(valueOf(answer(drill))).toBeCloseTo(readBands(drill.bands as BandColour[]).ohms, 6);
    for (const drill of many(codeDrill)) {
      const [, what, code] = /A (capacitor|resistor) is marked (\w+)/.exec(drill.ask)!;
      const read = readCode(code!);
      expect(valueOf(answer(drill)) / (what === 'capacitor' ? read.farads : read.ohms)).toBeCloseTo(1, 6);
    }
  });

  it('of readings in circuit is right by what lies beside a part: only a high one proves', () => {
    for (const drill of many(inCircuitDrill)) {
      const [, marked, read] = /a ([\d.]+ ?\w?Ω) 5 % resistor reads ([\d.]+ ?\w?Ω)/.exec(drill.ask)!;
      const ratio = valueOf(read!) / valueOf(marked!);
      if (/climbing/.test(drill.ask)) expect(answer(drill)).toMatch(/charging/);
      else if (ratio > 1.1) expect(answer(drill)).toMatch(/drifted high/);
      else if (ratio < 0.9) expect(answer(drill)).toMatch(/Nothing yet/);
      else expect(answer(drill)).toMatch(/within/);
    }
  });

  it('of ESR is right by the limit of the size', () => {
    for (const drill of many(esrDrill)) {
      const [, farads, volts, read] = /A ([\d.]+ ?[^\d ]?F) (\d+) V can shows an ESR of ([\d.]+ ?\w?Ω)/.exec(
        drill.ask,
      )!;
      const limit = esrLimit(valueOf(farads!), Number(volts));
      const shown = valueOf(read!);
      expect(answer(drill)).toMatch(shown === 0 ? /^A short/ : shown > limit ? /^Dried out/ : /^Good/);
    }
  });

  it('that is typed takes a value however it is written, and nothing else', () => {
    const drill = many(bandDrill, 2000).find((one) => !('options' in one) && one.value === 4700);
    if (!drill || 'options' in drill) throw new Error('no 4k7 was drawn');
    for (const text of ['4k7', '4700', '4.7 kΩ', '4,7k']) expect(isRight(drill, text)).toBe(true);
    for (const text of ['47k', '470', '5k']) expect(isRight(drill, text)).toBe(false);
    expect(() => isRight(drill, 'yellow')).toThrow(/"yellow" is not a value/);
    expect(() => isRight(drill, '4k7 V')).toThrow(/^the answer is in Ω$/);
  });

  it('of a part by itself is right by the limits of its kind', () => {
    for (const drill of many(junctionDrill)) {
      const [, read] = /reads (OL|[\d.]+ m?V) forward/.exec(drill.ask)!;
      const drop = read === 'OL' ? Infinity : valueOf(read!);
      const says = drop === Infinity ? /Open/ : drop < 0.08 ? /Shorted/ : drop < 0.38 ? /Leaky/ : /good/;
      expect(answer(drill)).toMatch(says);
    }
    for (const drill of many(ringDrill)) {
      const rings = Number(/rings (\d+) times/.exec(drill.ask)![1]);
      if (rings >= 8) expect(answer(drill)).toBe('A good winding');
      else expect(answer(drill)).toMatch(/[Ss]horted turn/);
    }
  });

  it('of stores is right by what drains them: the one that is charged was not measured, and nothing drained it', () => {
    const drills = material.sets.flatMap((set) => many((random) => storeDrill(set, random), 60));
    expect(drills.length).toBeGreaterThan(30);
    for (const drill of drills) {
      const [, title, minutes] = /^(.+?), plug out for (\d+) min/.exec(drill.ask)!;
      const { sheet } = material.sets.find(({ model }) => model.sheet.title === title)!.model;
      const stores = [...sheet.stores.values()];
      const store = stores.find((one) => one.title === answer(drill))!;
      expect(drill.ask).not.toContain(`${store.title} was read`);
      for (const { title: name, farads, volts, bleed = Infinity } of stores) {
        const left = Math.abs(volts) * Math.exp((-60 * Number(minutes)) / (farads * bleed));
        if (name === store.title) expect(left).toBeGreaterThan(60);
        else if (left > 30) expect(drill.ask).toContain(`${name} was read`);
      }
    }
  });

  it('of two pictures asks what the second shows and the first does not', () => {
    const drills = material.sets.flatMap((set) => many((random) => pairDrill(set, random), 40));
    expect(drills.length).toBeGreaterThan(20);
    for (const drill of drills) {
      const { picture, after } = drill;
      const [before, now] = [picture, after].map((one) => symptomsOf(depict(one!.family, one!.symptoms))) as [
        ReadonlySet<Symptom>,
        ReadonlySet<Symptom>,
      ];
      const added = [...now].filter((symptom) => !before.has(symptom)).map((symptom) => symptomTitles[symptom]);
      expect(added).toEqual([answer(drill)]);
    }
  });

  it('of a light is answered by its count, quicker ones and longer ones being harder', () => {
    const drills = many((random) => blinkDrill(material.sets[0]!, random));
    for (const { blinks, ...drill } of drills) expect(Number(answer(drill as Drill))).toBe(blinks!.count);
    const ends = (of: (drill: Drill) => number) => [...drills].sort((a, b) => of(a) - of(b));
    const byCount = ends(({ blinks }) => blinks!.count / blinks!.each);
    expect(byCount[0]!.difficulty).toBeLessThan(byCount.at(-1)!.difficulty - 1);
    // No light is quicker than three times a second.
    expect(Math.min(...drills.map(({ blinks }) => blinks!.each))).toBeGreaterThan(1 / 3);
  });

  it('of screens, loaded nodes and discharging is right by the arithmetic of each', () => {
    for (const { ask, value } of many(scopeDrill) as TypedDrill[]) {
      const [, divisions, each, probe] =
        /is ([\d.]+) divisions high at ([\d.]+ m?V) a division; the probe is ×(\d+)/.exec(ask)!;
      expect(value).toBeCloseTo(Number(divisions) * valueOf(each!) * Number(probe), 9);
    }
    for (const { ask, value } of many(loadingDrill) as TypedDrill[]) {
      const [, volts, feed] = /A node of (\d+ V) is fed through ([\d.]+ [kM]Ω)/.exec(ask)!;
      const current = valueOf(volts!) / (valueOf(feed!) + 10e6);
      expect(value).toBeCloseTo(valueOf(volts!) - current * valueOf(feed!), 9);
    }
    for (const { ask, value } of many(dischargeDrill) as TypedDrill[]) {
      const [, farads, through] = /A store of ([\d.]+ [µm]F) is drained through ([\d.]+ k?Ω)/.exec(ask)!;
      expect(Math.exp(-value / (valueOf(farads!) * valueOf(through!)))).toBeCloseTo(Math.exp(-5), 9);
    }
  });

  it('of the next probe is right by what saves most, plainly more than the others', () => {
    for (const drill of material.sets.flatMap((set) => many((random) => nextProbeDrill(set, random), 8))) {
      const [, saves, , second] = /saves (\d+) min on average.*?(; the best of the others saves (\d+))?\.$/.exec(
        drill.why,
      )!;
      if (second !== undefined) expect(Number(second)).toBeLessThan(0.8 * Number(saves) + 0.5);
      expect(drill.ask).toMatch(/The owner says: .* What next\?$/);
    }
  });

  it('is harder the nearer another answer is, and easy ones and hard ones are drawn', () => {
    const esr = many(esrDrill).filter((drill) => /^Dried out/.test(answer(drill)));
    const shares = esr.map(({ ask, difficulty }) => {
      const [, farads, volts, read] = /A ([\d.]+ ?[^\d ]?F) (\d+) V can shows an ESR of ([\d.]+ ?\w?Ω)/.exec(ask)!;
      return [valueOf(read!) / esrLimit(valueOf(farads!), Number(volts)), difficulty] as const;
    });
    const [near, far] = [(share: number) => share < 2, (share: number) => share > 5].map((is) =>
      shares.filter(([share]) => is(share)).map(([, difficulty]) => difficulty),
    );
    expect(Math.min(...near!)).toBeGreaterThan(Math.max(...far!));
    for (const skill of ['parts', 'instruments'] as const) {
      const drawn = many((random) => drawDrill(skill, material, random)).map(({ difficulty }) => difficulty);
      expect(Math.min(...drawn)).toBeLessThan(-0.8);
      expect(Math.max(...drawn)).toBeGreaterThan(1);
    }
  });

  it('of volts is right by the circuit solved anew with the part as good as gone', () => {
    let solved = 0;
    for (const drill of many((random) => drawDrill('circuits', material, random), 60)) {
      const [, title, node, part] =
        /^(.+?): (\w+) stands at .* with (R\w+) open, or its joint\?$/.exec(drill.ask) ?? [];
      if (part === undefined) continue;
      const { stage } = material.stages.find((one) => one.title === title)!;
      const element = stage.circuit.elements.find(({ label }) => label === part);
      const own = element?.kind === 'r' ? element.value : Number.NaN;
      // What is open still conducts a billionth of a siemens.
      const volts = stage
        .voltsWith({ factors: new Map([[part.toLowerCase(), 1e9 / own]]), parameters: new Map() })
        .get(node!)!;
      expect(Math.abs(valueOf(answer(drill)) - volts)).toBeLessThan(0.02 * Math.abs(volts) + 0.05);
      solved += 1;
    }
    expect(solved).toBeGreaterThan(5);
  });
});

describe('an ability', () => {
  const learner = (ability: number, count: number, pick: (seed: number, known: Answered[]) => Item, seed: number) => {
    const random = seeded(seed);
    const answers: Answered[] = [];
    for (let at = 0; at < count; at += 1) {
      const item = pick(seed * 1000 + at, answers);
      answers.push({ ...item, right: random() < chanceRight(ability, item) });
    }
    return answers;
  };
  const itself = (item: Item) => item;
  const anyItem = (seed: number): Item => {
    const random = seeded(seed);
    return { difficulty: -2 + 4 * random(), guess: random() < 0.3 ? 0 : 0.25 };
  };
  const telling = (seed: number, known: Answered[]) =>
    mostTelling(
      Array.from({ length: 8 }, (_, at) => anyItem(31 * seed + at)),
      known,
      itself,
    )!;

  it('before an answer is that of those who begin; right answers to hard drills raise it, wrong ones lower it', () => {
    expect(abilityOf([]).mean).toBeCloseTo(0, 6);
    expect(abilityOf([]).sd).toBeCloseTo(1.2, 1);
    expect(abilityOf([{ difficulty: 2, right: true }]).mean).toBeGreaterThan(
      abilityOf([{ difficulty: -2, right: true }]).mean,
    );
    expect(abilityOf([{ difficulty: -2, right: false }]).mean).toBeLessThan(-0.8);
    // What can be guessed proves less.
    const typed = abilityOf([{ difficulty: 1, guess: 0, right: true }]).mean;
    expect(typed).toBeGreaterThan(abilityOf([{ difficulty: 1, guess: 0.25, right: true }]).mean);
    expect(chanceRight(-50, { difficulty: 0 })).toBeCloseTo(0.25, 9);
    expect(chanceRight(-50, { difficulty: 0, guess: 0 })).toBeCloseTo(0, 9);
  });

  it('is found from forty answers of five hundred learners', () => {
    const random = seeded(9);
    const pairs = Array.from({ length: 500 }, (_, seed) => {
      const true_ = -2 + 4 * random();
      return [true_, abilityOf(learner(true_, 40, telling, seed)).mean] as const;
    });
    const [x, y] = [0, 1].map((at) => mean(pairs.map((pair) => pair[at]!))) as [number, number];
    const cov = sumOf(pairs, ([a, b]) => (a - x) * (b - y));
    const r = cov / Math.sqrt(sumOf(pairs, ([a]) => (a - x) ** 2) * sumOf(pairs, ([, b]) => (b - y) ** 2));
    expect(r).toBeGreaterThan(0.9);
  });

  it('is known sooner by drills that are chosen than by any', () => {
    const certain = (pick: typeof telling) =>
      mean(
        Array.from({ length: 40 }, (_, seed) => {
          const answers = learner(1.5, 120, pick, seed);
          const enough = answers.findIndex((_one, at) => at > 4 && abilityOf(answers.slice(0, at)).sd < 0.5);
          return enough < 0 ? 120 : enough;
        }),
      );
    expect(certain(telling)).toBeLessThan(0.65 * certain(anyItem));
  });

  it('is asked for by the drill that tells most of another kind than the last', () => {
    const drills = ['a', 'a', 'b'].map((kind, at) => ({ kind, difficulty: at === 2 ? 3 : at, guess: 0 }));
    const asked = (last?: string) =>
      drillToAsk(drills, last === undefined ? [] : [{ difficulty: 0, right: true, kind: last }], itself);
    expect(asked()).toBe(drills[0]);
    expect(asked('a')).toBe(drills[2]);
    expect(asked('b')!.kind).toBe('a');
    expect(drillToAsk(drills.slice(0, 2), [{ difficulty: 0, right: true, kind: 'a' }], itself)!.kind).toBe('a');
  });

  it('is told most by a drill that is a little too easy where one may guess, and as hard as one can where not', () => {
    const bestFor = (guess: number) =>
      [...Array(61).keys()]
        .map((at) => ({ difficulty: -3 + at / 10, guess }))
        .reduce((a, b) => (informationOf(0, b) > informationOf(0, a) ? b : a)).difficulty;
    expect(bestFor(0)).toBeCloseTo(0, 6);
    expect(bestFor(0.25)).toBeLessThan(-0.1);
    expect(bestFor(0.25)).toBeGreaterThan(-1);
    expect(mostTelling([], [], itself)).toBeUndefined();
  });
});
