import { faultModes } from '../../parts';
import { choice } from '../expectation';
import { type ChoiceWay, type SuspectedPart } from '../way';
import { answering } from './answering';

/** Chance that it answers where nothing there goes by heat. */
const byChance = 0.03;
/** Chance that a joint, or a part that ages by heat, answers although nobody saw that warmth matters. */
const often = 0.4;

/**
 * Heat on what is wrong while cold and cold on what is wrong while warm take the fault away; the other way round they
 * bring it back. Whichever is tried, what goes by heat answers.
 */
export const thermal: ChoiceWay = {
  kind: 'choice',
  title: 'chill and heat',
  words: ['chill', 'heat'],
  ...answering,
  state: 'live',
  miss: 0.15,
  ofPlace: true,
  findsIntermittents: true,
  onceOnly: true,
  ofParts(parts, miss) {
    const answers = Math.max(...parts.map((part) => chanceOf(part, miss)));
    return choice(['answers', answers], ['nothing', 1 - answers]);
  },
};

function chanceOf({ fault }: SuspectedPart, miss: number): number {
  if (!fault) return byChance;
  if (fault.appears === 'cold' || fault.appears === 'warm') return 1 - miss;
  const { touchy, byHeat } = faultModes[fault.mode];
  return fault.appears === 'sometimes' || touchy || byHeat ? often : byChance;
}
