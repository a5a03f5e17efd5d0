import { bandsOf, codeOf, esrLimit } from '../../parts';
import { formatQuantity } from '../../quantity';
import { type Random } from '../../statistics';
import { type Drill, drillOf, oneOf, type TypedDrill } from './drill';

const series = [10, 12, 15, 18, 22, 27, 33, 39, 47, 56, 68, 82];
const ohmsText = (ohms: number) => formatQuantity(ohms, 'Ω', 3);

/** A resistance whose two figures differ, so that they can be swapped. */
const drawn = (random: Random, least: number, most: number) =>
  oneOf(series, random) * 10 ** (least + Math.floor(random() * (most - least + 1)));

const swapped = (ohms: number) => {
  const power = 10 ** (Math.floor(Math.log10(ohms)) - 1);
  const figures = Math.round(ohms / power);
  return ((figures % 10) * 10 + Math.floor(figures / 10)) * power;
};

/** A factor between two, small steps as often as large ones. */
const factorBetween = (least: number, most: number, random: Random) => least * (most / least) ** random();

/** So often a value is to be typed, not chosen. */
const typed = 0.5;
/** By so much that is harder. */
const harderTyped = 0.4;

const typedInstead = (
  { difficulty, ...told }: Pick<TypedDrill, 'skill' | 'ask' | 'bands' | 'why' | 'difficulty'>,
  value: number,
  unit: 'Ω' | 'F',
): TypedDrill => ({
  ...told,
  difficulty: difficulty + harderTyped,
  value,
  unit,
  within: 0.01,
});

/** Bands → ohms. */
export function bandDrill(random: Random): Drill | undefined {
  const ohms = drawn(random, -1, 5);
  const bands = bandsOf({ ohms, tolerance: 0.05 });
  const [first, second, power] = bands;
  const why = `The figures are ${first!} and ${second!}, the power of ten is ${power!}: ${ohmsText(ohms)}.`;
  const told = {
    skill: 'parts' as const,
    ask: 'What is this resistor?',
    bands,
    why,
    // Gold and black as powers are met seldom, thousands daily.
    difficulty: ohms < 10 ? 1.5 : ohms < 100 ? 0.6 : ohms < 1000 || ohms >= 1e6 ? -0.3 : -1,
  };
  if (random() < typed) return typedInstead(told, ohms, 'Ω');
  return drillOf(told, ohmsText(ohms), [ohms * 10, ohms / 10, swapped(ohms), ohms * 100].map(ohmsText), random);
}

/** A printed code → the part. */
export function codeDrill(random: Random): Drill | undefined {
  const capacitor = random() < 0.5;
  const value = drawn(random, 1, 5);
  const text = (one: number) => (capacitor ? formatQuantity(one * 1e-12, 'F', 3) : ohmsText(one));
  const code = codeOf(value);
  const told = {
    skill: 'parts' as const,
    ask: `A ${capacitor ? 'capacitor' : 'resistor'} is marked ${code}. What is it?`,
    why: `Two figures and how many noughts follow, ${capacitor ? 'in picofarads' : 'in ohms'}: ${code} is ${text(value)}.`,
    // Picofarads are turned into larger units in the head, the farther the harder.
    difficulty: (capacitor ? -0.6 : -1) + 0.35 * Math.abs(Math.floor(Math.log10(value)) - 2),
  };
  if (random() < typed) return typedInstead(told, capacitor ? value * 1e-12 : value, capacitor ? 'F' : 'Ω');
  return drillOf(told, text(value), [value * 10, value / 10, value * 1000, swapped(value)].map(text), random);
}

const verdictsInCircuit = {
  high: 'It has drifted high: that is proof',
  low: 'Nothing yet: paths beside it lower a reading; lift a leg',
  fine: 'It is within its tolerance',
  climbing: 'A capacitor is charging: wait, or lift a leg',
} as const;

/** A resistor read in circuit → what that proves. */
export function inCircuitDrill(random: Random): Drill | undefined {
  const marked = drawn(random, 1, 4);
  const kind = oneOf(['high', 'low', 'fine', 'climbing'] as const, random);
  const beyond = factorBetween(0.12, 1.5, random);
  const share = 0.15 + 0.7 * random();
  const off = 0.04 * (2 * random() - 1);
  const factor = { high: 1 + beyond, low: share, fine: 1 + off, climbing: 0.6 + random() }[kind];
  const read = `reads ${ohmsText(marked * factor)}${kind === 'climbing' ? ' and goes on climbing' : ', the same with the leads swapped'}`;
  const why = {
    high: 'What lies beside it can only lower a reading: one above the tolerance is the part itself.',
    low: 'What lies beside it lowers a reading: a low one says nothing of the part.',
    fine: 'Beside it nothing can raise a reading: it is not above its mark, and what lowers it is small.',
    climbing: 'The meter charges a capacitor beside it; what it shows now is neither.',
  }[kind];
  return drillOf(
    {
      skill: 'instruments',
      ask: `In circuit, plug out, a ${ohmsText(marked)} 5 % resistor ${read}. What is proven?`,
      why,
      // What is nearer to another answer is harder to tell.
      difficulty: {
        high: -0.9 - 0.9 * Math.log(beyond / 1.5),
        low: -0.2 + 1.7 * share,
        fine: -1 + 40 * Math.abs(off),
        climbing: 0.3,
      }[kind],
    },
    verdictsInCircuit[kind],
    Object.values(verdictsInCircuit),
    random,
  );
}

/** A can’s ESR → whether it is good. */
export function esrDrill(random: Random): Drill | undefined {
  const farads = oneOf([4.7, 10, 22, 47, 100, 220, 470, 1000], random) * 1e-6;
  const volts = oneOf([16, 25, 35, 50, 63], random);
  const limit = esrLimit(farads, volts);
  const kind = oneOf(['good', 'bad', 'short'] as const, random);
  const ofLimit = { good: factorBetween(0.08, 0.8, random), bad: factorBetween(1.4, 9, random), short: 0 }[kind];
  const read = limit * ofLimit;
  const answers = {
    good: 'Good for its size',
    bad: 'Dried out: replace it',
    short: 'A short, or paralleled by one: read ohms',
    capacity: 'Read its capacity: that decides',
  };
  const why = {
    good: `A good one of its size shows up to about ${ohmsText(limit)}.`,
    bad: `A good one shows up to about ${ohmsText(limit)}; its capacity may still look right.`,
    short: 'No can has no resistance at all.',
  }[kind];
  return drillOf(
    {
      skill: 'instruments',
      ask: `A ${formatQuantity(farads, 'F', 3)} ${volts} V can shows an ESR of ${ohmsText(read)}. What is it?`,
      why,
      // Near the limit one has to know it.
      difficulty: { good: -1 + 2.4 * ofLimit, bad: -1 - 1.4 * Math.log(ofLimit / 9), short: 0.4 }[kind],
    },
    answers[kind],
    Object.values(answers),
    random,
  );
}
