'use server';

import { type Drill, drawDrill, type Skill, skills } from '@/core/practice';
import { Refusal } from '@/core/quantity';
import { seeded } from '@/core/statistics';
import { answered, type Answered } from '@/workshop/answer';
import { drillMaterial } from './load';

/** So many are drawn that one may be chosen which tells most. */
const drawn = 5;

/** Some drills of a skill; the same seed draws the same ones. */
export async function drawDrills(skill: Skill, seed: number): Promise<Answered<Drill[]>> {
  return answered(async () => {
    if (!skills.includes(skill))
      throw new Refusal(`there is no skill "${String(skill)}"; there are ${skills.join(', ')}`);
    if (!Number.isSafeInteger(seed)) throw new Refusal('a seed is a whole number');
    return Array.from({ length: drawn }, (_, at) => drawDrill(skill, drillMaterial(), seeded(seed + at)));
  });
}
