import { liveCold, type Predictions } from '../../behaviour';
import { familyOf, isListed } from '../../sheet';
import { depict, type Picture, type Symptom, symptomsOf, symptomTitles } from '../../picture';
import { priorOf } from './prior';

/** A picture some fault of the sheet makes, to be picked as a complaint. */
export interface Tile {
  readonly id: string;
  readonly title: string;
  readonly symptoms: readonly Symptom[];
  readonly picture: Picture;
  /** How much of what goes wrong looks like this. */
  readonly weight: number;
}

/**
 * Pictures the faults of a sheet make, the commonest first. What each fault looks like comes from the behaviour alone.
 *
 * @param weights how likely each fault is; the sheet's prior unless given
 */
export function tilesOf(
  predictions: Predictions,
  weights: ReadonlyMap<string, number> = priorOf(predictions.model.sheet),
): Tile[] {
  const { sheet } = predictions.model;
  const tiles = new Map<string, Tile>();
  for (const fault of sheet.faults.values()) {
    if (!isListed(fault)) continue;
    const { picture } = predictions.behaviour(fault, liveCold);
    const symptoms = [...symptomsOf(picture)];
    if (symptoms.includes('normal')) continue;
    const id = [...symptoms].sort().join('+');
    const known = tiles.get(id);
    const weight = (known?.weight ?? 0) + (weights.get(fault.id) ?? 0);
    tiles.set(id, known ? { ...known, weight } : { id, title: tileTitle(symptoms), symptoms, picture, weight });
  }
  return [...tiles.values()].sort((a, b) => b.weight - a.weight);
}

function tileTitle(symptoms: readonly Symptom[]): string {
  const [first, second] = symptoms.map((symptom) => symptomTitles[symptom]);
  return second === undefined ? first! : `${first}, ${second.charAt(0).toLowerCase()}${second.slice(1)}`;
}

/**
 * The single symptoms that faults of a sheet show, the commonest first: a complaint is told by
 * picking all that fit.
 */
export function symptomTilesOf(predictions: Predictions): Tile[] {
  const family = familyOf(predictions.model.sheet.technology);
  const weights = new Map<Symptom, number>();
  for (const { symptoms, weight } of tilesOf(predictions)) {
    for (const symptom of symptoms) weights.set(symptom, (weights.get(symptom) ?? 0) + weight);
  }
  return [...weights]
    .sort(([, a], [, b]) => b - a)
    .map(([symptom, weight]) => ({
      id: symptom,
      title: symptomTitles[symptom],
      symptoms: [symptom],
      picture: depict(family, [symptom]),
      weight,
    }));
}
