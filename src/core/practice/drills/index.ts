import { type Predictions } from '../../behaviour';
import { type Random } from '../../statistics';
import { ladderDrill, type SolvedStage } from './circuits';
import { type Drill, oneOf, type Skill } from './drill';
import { bandDrill, codeDrill, esrDrill, inCircuitDrill } from './parts';
import { pictureDrill, stateDrill } from './sets';

export { type Ability, abilityOf, type Answered, chanceRight, informationOf, mostTelling } from './ability';
export { type SolvedStage } from './circuits';
export { type Drill, type Skill, skills } from './drill';

/** What drills are made from. */
export interface DrillMaterial {
  readonly sets: readonly Predictions[];
  readonly stages: readonly SolvedStage[];
}

type Maker = (material: DrillMaterial, random: Random) => Drill | undefined;

const makers: Readonly<Record<Skill, readonly Maker[]>> = {
  parts: [(_, random) => bandDrill(random), (_, random) => codeDrill(random)],
  instruments: [(_, random) => inCircuitDrill(random), (_, random) => esrDrill(random)],
  circuits: [({ stages }, random) => ladderDrill(oneOf(stages, random), random)],
  pictures: [({ sets }, random) => pictureDrill(oneOf(sets, random), random)],
  safety: [({ sets }, random) => stateDrill(oneOf(sets, random), random)],
};

/** A drill of a skill, drawn; the same random numbers draw the same one. */
export function drawDrill(skill: Skill, material: DrillMaterial, random: Random): Drill {
  for (let tries = 0; tries < 60; tries += 1) {
    const drill = oneOf(makers[skill], random)(material, random);
    if (drill) return drill;
  }
  throw new Error(`no drill of ${skill} could be drawn from what there is`);
}
