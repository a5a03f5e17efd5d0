import { type Predictions } from '../../behaviour';
import { posteriorOf, symptomTilesOf } from '../../diagnosis';
import { replay } from '../../log';
import { familyOf, isListed, type SetState } from '../../sheet';
import { type Random, sumOf } from '../../statistics';
import { type Drill, drillOf, oneOf, shuffled } from './drill';

/** Which part of a set a picture points at. */
export function pictureDrill(predictions: Predictions, random: Random): Drill | undefined {
  const { sheet } = predictions.model;
  const tile = oneOf(symptomTilesOf(predictions), random);
  if (tile.symptoms.includes('normal')) return undefined;
  const job = {
    predictions,
    complaint: { symptoms: tile.symptoms, signs: {} },
    bench: replay([], []),
    closed: new Map<string, number>(),
    hourlyRate: 18,
  };
  const chances = new Map<string, number>();
  for (const { fault, probability } of posteriorOf(job).suspects) {
    if (!isListed(fault)) continue;
    const block = sheet.parts.get(fault.part)!.block;
    chances.set(block, (chances.get(block) ?? 0) + probability);
  }
  const ranked = [...chances].sort(([, a], [, b]) => b - a);
  const whole = sumOf(ranked, ([, chance]) => chance);
  const [first] = ranked;
  if (!first || first[1] < 0.35 * whole) return undefined;
  const title = (block: string) => sheet.blocks.get(block)!.title;
  // Wrong is only what is far less likely.
  const wrong = ranked
    .slice(1)
    .filter(([, chance]) => chance < 0.3 * first[1])
    .map(([block]) => title(block));
  const share = first[1] / whole;
  return drillOf(
    {
      skill: 'pictures',
      ask: `${sheet.title}: which part of it first?`,
      picture: { family: familyOf(sheet.technology), symptoms: tile.symptoms },
      why: `${title(first[0])} explains this picture in ${Math.round(100 * share)} of 100 such sets, before anything is measured.`,
      difficulty: 1.2 - 2 * share,
    },
    title(first[0]),
    shuffled(wrong, random),
    random,
  );
}

/** What a set must be for a test, in words. */
const stateWords: Partial<Record<SetState, string>> = {
  live: 'Live, with the usual care',
  cold: 'Plug out, stores measured low',
};
const otherStates = ['Plug out, whatever the stores hold', 'Live, the plug half in', 'Behind a lamp, live'];

/** In which state of the set a test is made. */
export function stateDrill(predictions: Predictions, random: Random): Drill | undefined {
  const check = oneOf([...predictions.checks.values()], random);
  const right = stateWords[check.state];
  if (right === undefined || !check.point) return undefined;
  const cold = check.state === 'cold';
  return drillOf(
    {
      skill: 'safety',
      ask: `${predictions.model.sheet.title}: ${check.title}. In which state of the set?`,
      why: cold
        ? 'What is read in ohms, farads, ESR or by a beep is read in a set that holds nothing: charge falsifies it and breaks the meter.'
        : 'What is to be read is there only while the set runs.',
      difficulty: cold ? 0 : -0.4,
    },
    right,
    [stateWords[cold ? 'live' : 'cold']!, ...otherStates],
    random,
  );
}
