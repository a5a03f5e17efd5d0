import { stampBranch } from './branch';
import { type Card } from './card';
import { type Common, type ElementKind, type Pair } from './element';
import { startOf, type Wave, waveText } from './wave';

export type Source = Common & {
  readonly kind: 'v' | 'i';
  readonly nodes: Pair;
  readonly dc: number;
  readonly ac: { readonly magnitude: number; readonly degrees: number };
  readonly wave: Wave;
};

const waves: Readonly<Record<string, (values: readonly number[], card: Card) => Wave>> = {
  pulse: ([a = 0, b = 0, c = 0, d = 0, e = 0, f = Infinity, g = Infinity]) => ({
    kind: 'pulse',
    low: a,
    high: b,
    delay: c,
    rise: d,
    fall: e,
    width: f,
    period: g,
  }),
  sin([offset = 0, amplitude = 0, hertz = 0, delay = 0, damping = 0, ...rest], card) {
    if (rest.some((value) => value !== 0))
      throw card.refuse('SIN has five values here: its phase is not reckoned with');
    return { kind: 'sin', offset, amplitude, hertz, delay, damping };
  },
  pwl(values, card) {
    if (values.length === 0 || values.length % 2 === 1) throw card.refuse('PWL needs pairs of time and value');
    return {
      kind: 'pwl',
      points: values.flatMap((time, index) => (index % 2 === 0 ? [[time, values[index + 1]!] as const] : [])),
    };
  },
};

function readSource(card: Card, kind: 'v' | 'i'): Omit<Source, keyof Common> {
  const nodes = card.pair();
  let dc = card.setting('dc') ?? (card.atNumber ? card.value() : undefined);
  let ac = { magnitude: card.setting('ac') ?? 0, degrees: 0 };
  let wave: Wave = { kind: 'dc' };
  for (let word = card.word(); word !== undefined; word = card.word()) {
    const read = Object.hasOwn(waves, word) ? waves[word] : undefined;
    const values = word === 'dc' || word === 'ac' || read ? card.numbers() : [];
    if (word === 'dc') dc = values[0] ?? 0;
    else if (word === 'ac') ac = { magnitude: values[0] ?? 1, degrees: values[1] ?? 0 };
    else if (read) wave = read(values, card);
    else throw card.refuse(`"${word}" does not belong in a source; there are DC, AC, PULSE, SIN, PWL`);
  }
  // Several side by side are one current.
  const share = kind === 'i' ? card.multiplier() : 1;
  if (share !== 1 && wave.kind !== 'dc') throw card.refuse(`${card.own}: m= is reckoned with for direct current alone`);
  return { kind, nodes, dc: (dc ?? startOf(wave)) * share, ac, wave };
}

const writeSource = ({ nodes, dc, ac: { magnitude, degrees }, wave }: Source) =>
  `${nodes.join(' ')} DC ${dc}${magnitude === 0 && degrees === 0 ? '' : ` AC ${magnitude} ${degrees}`}${waveText(wave)}`;

const turning = {
  turnable: ({ wave, dc }: Source) => (wave.kind === 'dc' ? dc : undefined),
  turned: (element: Source, factor: number): Source => ({ ...element, dc: element.dc * factor }),
};

/** What a source gives is added while solving, as its share rises; here stand its unknowns. */
export const voltageSource: ElementKind<Source> = {
  read: (card) => readSource(card, 'v'),
  write: writeSource,
  hasCurrent: () => true,
  holds: ({ nodes }) => [nodes],
  stamp: ({ name, nodes }, equations, places) => void stampBranch(name, nodes, equations, places),
  ...turning,
};

export const currentSource: ElementKind<Source> = {
  read: (card) => readSource(card, 'i'),
  write: writeSource,
  ...turning,
};
