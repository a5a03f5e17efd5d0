import { type Predictions } from '../../behaviour';
import { symptomTilesOf, tilesOf } from '../../diagnosis';
import { depict, type Symptom, symptomsOf, symptomTitles } from '../../picture';
import { type Seconds } from '../../quantity';
import { familyOf } from '../../sheet';
import { type Random } from '../../statistics';
import { type Drill, drillOf, oneOf, shuffled, type TypedDrill } from './drill';

/** What no still picture shows, or what hides all else. */
const unseen: ReadonlySet<Symptom> = new Set<Symptom>(['dark', 'brief', 'goes_off']);

/** Two pictures of one set, one after the other → what is new in the second. */
export function pairDrill(predictions: Predictions, random: Random): Drill | undefined {
  const { sheet } = predictions.model;
  const family = familyOf(sheet.technology);
  const before = random() < 0.3 ? [] : oneOf(tilesOf(predictions), random).symptoms;
  /** Does a picture of some symptoms show them all, and no others? */
  const plain = (symptoms: readonly Symptom[]) => {
    const shown = symptomsOf(depict(family, symptoms));
    const isPlain = symptoms.every((symptom) => shown.has(symptom) && !unseen.has(symptom));
    return isPlain && shown.size === Math.max(1, symptoms.length);
  };
  if (!plain(before)) return undefined;
  const candidates = symptomTilesOf(predictions)
    .flatMap(({ symptoms }) => symptoms)
    .filter((symptom) => !before.includes(symptom) && plain([...before, symptom]));
  const [added, ...others] = shuffled(candidates, random);
  if (added === undefined) return undefined;
  const title = symptomTitles[added];
  return drillOf(
    {
      skill: 'pictures',
      ask: `${sheet.title}, before and after a repair: what is new?`,
      picture: { family, symptoms: before },
      after: { family, symptoms: [...before, added] },
      why: 'That was not there before: what a repair brought is looked for where it was made.',
      // What was wrong before hides what is new.
      difficulty: -1.4 + 0.9 * before.length,
    },
    title,
    others.map((symptom) => symptomTitles[symptom]),
    random,
  );
}

/** Blinks of a code are so far apart; none are quicker than the eye bears. */
const slowest: Seconds = 0.75;
const quickest: Seconds = 0.4;
/** Codes have so many blinks. */
const fewest = 2;
const most = 13;

/** A light that blinks a code → how often. */
export function blinkDrill(predictions: Predictions, random: Random): TypedDrill {
  const { sheet } = predictions.model;
  const codes = sheet.protections.filter(({ blinks = 0 }) => blinks >= fewest);
  const code = codes.length > 0 && random() < 0.5 ? oneOf(codes, random) : undefined;
  const count = code?.blinks ?? fewest + Math.floor(random() * (most - fewest + 1));
  const each = quickest + (slowest - quickest) * random();
  return {
    skill: 'pictures',
    ask: `${sheet.title}: the light on its front. How many blinks are in a group?`,
    blinks: { count, each },
    why: code
      ? `${count} blinks, then the pause: on this set that is ${code.title}.`
      : `${count} blinks, then the pause. Two groups alike are a code; one alone may have begun before you looked.`,
    difficulty: -2 + 0.17 * count + 4 * (slowest - each),
    value: count,
    unit: '',
    within: 0,
  };
}
