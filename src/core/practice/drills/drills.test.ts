import { beforeAll, describe, expect, it } from 'vitest';
import { shippedSheets } from '@/sheets';
import { shippedStages } from '@/sheets/stages';
import { predictionsOf } from '../../behaviour';
import { Stage } from '../../circuit';
import { esrLimit, readBands, readCode, type BandColour } from '../../parts';
import { parseQuantity } from '../../quantity';
import { mean, seeded, sumOf } from '../../statistics';
import {
  abilityOf,
  type Answered,
  chanceRight,
  drawDrill,
  type Drill,
  informationOf,
  mostTelling,
  skills,
  type DrillMaterial,
} from '.';
import { bandDrill, codeDrill, esrDrill, inCircuitDrill } from './parts';

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
const answer = ({ options, right }: Drill) => options[right]!;
const ohms = (text: string) => parseQuantity(text.replaceAll(' ', '')).value;

describe('a drill', () => {
  it.each(skills)('of %s has three or four answers that differ, one of them right, and a reason', (skill) => {
    const drills = many((random) => drawDrill(skill, material, random), 60);
    for (const { options, right, why, ask, difficulty } of drills) {
      expect(options.length).toBeGreaterThanOrEqual(3);
      expect(new Set(options).size).toBe(options.length);
      expect(options[right]).toBeDefined();
      expect(why.length).toBeGreaterThan(15);
      expect(ask).toMatch(/\?$/);
      expect(Math.abs(difficulty)).toBeLessThan(4);
    }
    // The right one stands anywhere, and one draws many.
    expect(new Set(drills.map(({ right }) => right)).size).toBeGreaterThanOrEqual(3);
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
      expect(ohms(answer(drill))).toBeCloseTo(readBands(drill.bands as BandColour[]).ohms, 6);
    for (const drill of many(codeDrill)) {
      const [, what, code] = /A (capacitor|resistor) is marked (\w+)/.exec(drill.ask)!;
      const read = readCode(code!);
      expect(ohms(answer(drill)) / (what === 'capacitor' ? read.farads : read.ohms)).toBeCloseTo(1, 6);
    }
  });

  it('of readings in circuit is right by what lies beside a part: only a high one proves', () => {
    for (const drill of many(inCircuitDrill)) {
      const [, marked, read] = /a ([\d.]+ ?\w?Ω) 5 % resistor reads ([\d.]+ ?\w?Ω)/.exec(drill.ask)!;
      const ratio = ohms(read!) / ohms(marked!);
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
      const limit = esrLimit(ohms(farads!), Number(volts));
      const shown = ohms(read!);
      expect(answer(drill)).toMatch(shown === 0 ? /^A short/ : shown > limit ? /^Dried out/ : /^Good/);
    }
  });

  it('is harder the nearer another answer is, and easy ones and hard ones are drawn', () => {
    const esr = many(esrDrill).filter((drill) => /^Dried out/.test(answer(drill)));
    const shares = esr.map(({ ask, difficulty }) => {
      const [, farads, volts, read] = /A ([\d.]+ ?[^\d ]?F) (\d+) V can shows an ESR of ([\d.]+ ?\w?Ω)/.exec(ask)!;
      return [ohms(read!) / esrLimit(ohms(farads!), Number(volts)), difficulty] as const;
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
      expect(Math.abs(ohms(answer(drill)) - volts)).toBeLessThan(0.02 * Math.abs(volts) + 0.05);
      solved += 1;
    }
    expect(solved).toBeGreaterThan(5);
  });
});

describe('an ability', () => {
  const learner = (ability: number, count: number, pick: (seed: number, known: Answered[]) => number, seed: number) => {
    const random = seeded(seed);
    const answers: Answered[] = [];
    for (let at = 0; at < count; at += 1) {
      const difficulty = pick(seed * 1000 + at, answers);
      answers.push({ difficulty, right: random() < chanceRight(ability, difficulty) });
    }
    return answers;
  };
  const anyDifficulty = (seed: number) => -2 + 4 * seeded(seed)();
  const telling = (seed: number, known: Answered[]) => {
    const random = seeded(seed);
    const drawn = Array.from({ length: 8 }, () => ({ difficulty: -2.5 + 5 * random() }));
    return mostTelling(drawn, abilityOf(known))!.difficulty;
  };

  it('before an answer is that of those who begin; right answers to hard drills raise it, wrong ones lower it', () => {
    expect(abilityOf([]).mean).toBeCloseTo(0, 6);
    expect(abilityOf([]).sd).toBeCloseTo(1.2, 1);
    expect(abilityOf([{ difficulty: 2, right: true }]).mean).toBeGreaterThan(
      abilityOf([{ difficulty: -2, right: true }]).mean,
    );
    expect(abilityOf([{ difficulty: -2, right: false }]).mean).toBeLessThan(-0.8);
    expect(chanceRight(-50, 0)).toBeCloseTo(0.25, 9);
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
    expect(certain(telling)).toBeLessThan(0.85 * certain(anyDifficulty));
  });

  it('is told most by a drill that is a little too hard for a guess', () => {
    const best = [...Array(61).keys()]
      .map((at) => -3 + at / 10)
      .reduce((a, b) => (informationOf(0, b) > informationOf(0, a) ? b : a));
    expect(best).toBeLessThan(0);
    expect(best).toBeGreaterThan(-1);
    expect(mostTelling([], abilityOf([]))).toBeUndefined();
  });
});
