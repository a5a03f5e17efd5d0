import { type Predictions } from '../../behaviour';
import { provenBelow } from '../../log';
import { formatQuantity, type Volts } from '../../quantity';
import { voltsAfter } from '../../safety';
import { type Store } from '../../sheet';
import { type Random } from '../../statistics';
import { type Drill, drillOf, oneOf, shuffled } from './drill';

/** What is left in a store some minutes after the plug was pulled, where nobody touched it. */
const leftIn = ({ farads, volts, bleed }: Store, minutes: number): Volts =>
  bleed === undefined ? Math.abs(volts) : voltsAfter({ farads, volts: Math.abs(volts), ohms: bleed }, 60 * minutes);

/** From so many volts on a charge is to be reckoned with in any hand. */
const hurts: Volts = 60;

/** Which of the stores of a set is still charged. */
export function storeDrill(predictions: Predictions, random: Random): Drill | undefined {
  const { sheet } = predictions.model;
  const minutes = oneOf([1, 3, 10, 30, 60], random);
  const stores = shuffled([...sheet.stores.values()], random);
  const charged = stores.find((store) => leftIn(store, minutes) > hurts);
  if (!charged) return undefined;
  // Those that hold something as well were measured; of the others one has to know that they drain.
  const others = stores.filter((store) => store !== charged);
  const drained = others.filter((store) => leftIn(store, minutes) < provenBelow);
  const measured = others.filter((store) => !drained.includes(store));
  const read = measured.map((store) => ` ${store.title} was read at ${(2 + 9 * random()).toFixed(0)} V.`).join('');
  const volts = (value: number) => (value < 1 ? 'next to nothing' : formatQuantity(value, 'V', 2));
  const own = leftIn(charged, minutes);
  const why =
    charged.bleed === undefined
      ? `Nothing drains ${charged.title}: ${volts(own)} stay until it is discharged and read.`
      : `${charged.title} drains through ${formatQuantity(charged.bleed, 'Ω', 2)} alone: ${volts(own)} are left after ${minutes} min.`;
  const alone = drained.map(
    (store) => ` ${store.title} drains by itself, to ${volts(leftIn(store, minutes))}, while what drains it is whole.`,
  );
  return drillOf(
    {
      skill: 'safety',
      ask: `${sheet.title}, plug out for ${minutes} min.${read} Which of its stores is still charged, by its parts?`,
      why: `${why}${alone.join('')} Each is read before a hand goes near.`,
      // That something drains by itself, and how fast, is to be reckoned.
      difficulty: -0.9 + 0.8 * drained.length + (charged.bleed === undefined ? 0 : 0.9),
    },
    charged.title,
    [...others.map(({ title }) => title), 'None: the plug is out'],
    random,
  );
}
