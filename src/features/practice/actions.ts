'use server';

import { type DrawnDrill, drawDrills, type Skill, skills } from '@/core/practice';
import { Refusal } from '@/core/quantity';
import { answered, type Answered } from '@/workshop/answer';
import { drillMaterial } from './load';

/** Drills of a skill to choose from; the same seed draws the same ones. */
export async function drillsOf(skill: Skill, seed: number): Promise<Answered<DrawnDrill[]>> {
  return answered(async () => {
    if (!skills.includes(skill))
      throw new Refusal(`there is no skill "${String(skill)}"; there are ${skills.join(', ')}`);
    if (!Number.isSafeInteger(seed)) throw new Refusal('a seed is a whole number');
    return drawDrills(skill, drillMaterial(), seed);
  });
}
