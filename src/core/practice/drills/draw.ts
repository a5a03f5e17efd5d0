import { type Predictions } from '../../behaviour';
import { type Random, seeded } from '../../statistics';
import { ladderDrill, type SolvedStage } from './circuits';
import { type DrawnDrill, type Drill, oneOf, type Skill } from './drill';
import { nextProbeDrill } from './nextProbe';
import { bandDrill, codeDrill, esrDrill, inCircuitDrill } from './parts';
import { blinkDrill, pairDrill } from './pictureDrills';
import { dischargeDrill, loadingDrill, scopeDrill } from './readings';
import { pictureDrill, stateDrill } from './sets';
import { storeDrill } from './stores';
import { junctionDrill, ringDrill } from './verdicts';

/** What drills are made from. */
export interface DrillMaterial {
  readonly sets: readonly Predictions[];
  readonly stages: readonly SolvedStage[];
}

type Maker = (material: DrillMaterial, random: Random) => Drill | undefined;

/** Draws from one of the sets. */
const ofSet =
  (make: (predictions: Predictions, random: Random) => Drill | undefined): Maker =>
  ({ sets }, random) =>
    make(oneOf(sets, random), random);
/** Draws from nothing but chance. */
const ofItself =
  (make: (random: Random) => Drill | undefined): Maker =>
  (_, random) =>
    make(random);

const makers: Readonly<Record<Skill, Readonly<Record<string, Maker>>>> = {
  parts: { bands: ofItself(bandDrill), code: ofItself(codeDrill) },
  instruments: {
    'in circuit': ofItself(inCircuitDrill),
    esr: ofItself(esrDrill),
    junction: ofItself(junctionDrill),
    rings: ofItself(ringDrill),
    screen: ofItself(scopeDrill),
    loading: ofItself(loadingDrill),
  },
  circuits: { ladder: ({ stages }, random) => ladderDrill(oneOf(stages, random), random) },
  pictures: { block: ofSet(pictureDrill), pair: ofSet(pairDrill), blinks: ofSet(blinkDrill) },
  isolating: { 'next probe': ofSet(nextProbeDrill) },
  safety: { state: ofSet(stateDrill), stores: ofSet(storeDrill), discharge: ofItself(dischargeDrill) },
};

/** A drill of a skill, drawn; the same random numbers draw the same one. */
export function drawDrill(skill: Skill, material: DrillMaterial, random: Random): DrawnDrill {
  for (let tries = 0; tries < 60; tries += 1) {
    const [kind, make] = oneOf(Object.entries(makers[skill]), random);
    const drill = make(material, random);
    if (drill) return { ...drill, kind };
  }
  throw new Error(`no drill of ${skill} could be drawn from what there is`);
}

/** So many are drawn that one may be chosen which tells most; of those that take their time to draw, fewer. */
const usuallyDrawn = 24;
const drawnOf: Partial<Readonly<Record<Skill, number>>> = { isolating: 6 };

/** Some drills of a skill, to choose from; the same seed draws the same ones. */
export const drawDrills = (skill: Skill, material: DrillMaterial, seed: number): DrawnDrill[] =>
  Array.from({ length: drawnOf[skill] ?? usuallyDrawn }, (_, at) => drawDrill(skill, material, seeded(seed + at)));
