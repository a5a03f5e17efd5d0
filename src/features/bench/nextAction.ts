import { type Briefed, foundFirst, type Suspect, untoldFrom } from '@/core/diagnosis';
import { isSearch } from '@/core/repair';
import { chanceText } from '@/ui';

/** What to do where no probe is asked for. */
export interface NextAction {
  readonly label: string;
  readonly title: string;
  readonly how: string;
  readonly button: string;
}

const named = (suspects: readonly Suspect[]): string =>
  suspects
    .slice(0, 2)
    .map(({ fault, probability }) => `${fault.title} (${chanceText(probability)})`)
    .join(' or ');

/** The repair to make, or to verify; undefined where nothing is suspected any more. */
export function nextAction({
  next,
  repairs,
  found,
  suspects,
  probes,
  switchings,
}: Pick<Briefed, 'next' | 'repairs' | 'found' | 'suspects' | 'probes' | 'switchings'>): NextAction | undefined {
  if (next === 'verify' && switchings > 0)
    return {
      label: 'It may not be all',
      title: 'Plug out, and on again',
      how: `What comes and goes is there about two times in three. Read the picture after each: ${switchings === 1 ? 'once more' : `${switchings} times more`}, or let it soak.`,
      button: 'Verify',
    };
  if (next === 'verify')
    return {
      label: 'After the repair',
      title: 'Measure again what was wrong',
      how: 'Each reading that was wrong is asked for once more and stands beside what it was.',
      button: 'Verify',
    };
  const [repair] = repairs;
  const bad = foundFirst({ next, repairs, found, suspects });
  const others = bad ? found.filter(({ part }) => part !== bad.part) : [];
  if (bad)
    return {
      label: 'Found bad, whatever else is',
      title: `${bad.action}${others.length > 0 ? `, and ${others.length} more` : ''}`,
      how: `${bad.title}, ${bad.said}. ${bad.putIn === undefined ? '' : `The sheet does not know it: type what it does to which net, like “${bad.putIn}”. `}Then measure again what was wrong. ${
        repair && isSearch(repair.action)
          ? 'What else proves bad is typed with its mark and what it reads, like “C9 100u 35V 17u”.'
          : `If that is not the cure, next is “${repair!.action.title}”, with ${chanceText(repair!.chance)}.`
      }`,
      button: 'Plan the repair',
    };
  if (repair && isSearch(repair.action))
    return {
      label: `${repair.action.method === 'follow' ? 'Follow the net · found along it' : 'Look inside · in there'} with ${chanceText(repair.chance)}`,
      title: repair.action.title,
      how: 'No point of the sheet tells more. A part that proves bad is typed with its mark and what it reads, like “C9 100u 35V 17u”.',
      button: 'Note what was found',
    };
  if (!repair) return undefined;
  const untold = untoldFrom(repair.action, { suspects, probes });
  return {
    label: `Act now · cures it with ${chanceText(repair.chance)}`,
    title: repair.action.title,
    how:
      untold.length > 0
        ? `Nothing that is left to measure tells it from ${named(untold)}: the repair shows which it was.`
        : 'No probe left is worth its minutes. Other readings can still be typed by name.',
    button: 'Plan the repair',
  };
}
