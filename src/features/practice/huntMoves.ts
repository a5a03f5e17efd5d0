import { type HuntAct } from '@/core/practice';
import { type HuntView } from './huntView';

/** Something that is taken apart, or put back as it was. */
interface HuntMove {
  readonly title: string;
  readonly act: HuntAct;
  /** As long as it takes; undefined where the set does not say. */
  readonly minutes: number | undefined;
}

const begins = (text: string, typed: string): boolean =>
  typed.split(/\s+/).every((word) => text.split(/\s+/).some((one) => one.startsWith(word)));

/** A leg lifted, and soldered back, in minutes. */
const legMinutes = 4;

/**
 * What may be pulled, lifted or put back by what was typed: `pull cn802`, `lift r42`. What is off may always go back.
 *
 * @param sought in small letters
 */
export function movesFor({ connectors, parts, lifted }: HuntView, sought: string): HuntMove[] {
  const plugs = connectors.flatMap(({ id, title, minutes, pulled }): HuntMove[] => {
    const words = `${pulled ? 'put back plug in' : 'pull unplug'} connector ${id} ${title}`.toLowerCase();
    if (sought === '' ? !pulled : !begins(words, sought)) return [];
    return [
      {
        title: pulled ? `Put back ${title}` : `Pull ${title}`,
        act: { kind: 'connector', connector: id, pulled: !pulled },
        minutes,
      },
    ];
  });
  const legs = parts.flatMap(({ id, title }): HuntMove[] => {
    const off = lifted.includes(id);
    const words = `${off ? 'put back solder' : 'lift leg'} ${id} ${title}`.toLowerCase();
    // Every part has legs: they are offered to whoever speaks of them.
    if (off ? sought !== '' && !begins(words, sought) : !/^(?:lift|leg)\b/.test(sought) || !begins(words, sought))
      return [];
    return [
      {
        title: off ? `Solder back ${title}` : `Lift a leg of ${title}`,
        act: { kind: 'leg', part: id, lifted: !off },
        minutes: legMinutes,
      },
    ];
  });
  return [...plugs, ...legs];
}
