import { type Asked, atLeast, atMost, has, intoTheHole, near, no, type Rule, sameWord, watch } from './rules';

const toleranceOf = ({ original }: Asked) => ((original.figures.tolerance as number | undefined) ?? 5) / 100;

/** A resistor that protects what is before it. */
const isFusible = ({ original: { figures } }: Asked) => figures.fusible === true;

const watts: Rule = (was, is, asked) => {
  const o = was as number | undefined;
  const c = is as number | undefined;
  if (isFusible(asked) && o !== undefined && c !== undefined && c > o * 1.6)
    return no(`${c} W for ${o}: a fusible of more watts opens too late`);
  return atLeast({ stress: ({ watts: put }) => put, margin: 2, byPlace: (one) => !isFusible(one), better: 1.4 })(
    was,
    is,
    asked,
  );
};

export const resistorRules: Readonly<Record<string, Rule>> = {
  ohms: near({
    within: (asked) => [toleranceOf(asked), toleranceOf(asked)],
    watched: (asked) => [Math.max(0.1, toleranceOf(asked)), Math.max(0.1, toleranceOf(asked))],
  }),
  watts,
  tolerance: atMost({ soft: 2, better: 0.5 }),
  volts: atLeast({ stress: ({ volts }) => volts }),
  fusible: has(
    () =>
      no('an ordinary resistor where a fusible one sat: the next short burns it, and the board, instead of opening it'),
    () => watch('fusible where the old one was not: a surge may open it'),
  ),
  flameproof: has(
    ({ candidate: { figures } }) =>
      figures.fusible === true || figures.make === 'wirewound'
        ? { verdict: 'fits', reason: 'does not burn either' }
        : no('not flameproof: it burns where the old one only smoked'),
    () => ({ verdict: 'better', reason: 'flameproof' }),
  ),
  make: sameWord(
    {
      'composition>film': watch(
        'film takes less of a surge than composition: for a spark or a pulse take one made for it',
      ),
      'composition>carbon': watch('film takes less of a surge than composition'),
      'composition>oxide': watch('oxide takes more of a surge than other film, less than composition'),
      'composition>wirewound': watch('wirewound has inductance'),
      'carbon>film': { verdict: 'better', reason: 'metal film drifts less than carbon' },
      'carbon>oxide': { verdict: 'better', reason: 'oxide drifts less than carbon' },
      'carbon>composition': watch('composition drifts high with the years'),
      'film>carbon': watch('carbon drifts more and is noisier'),
      'film>oxide': { verdict: 'fits', reason: 'oxide in place of metal film' },
      'film>composition': no('composition drifts high with the years'),
      'oxide>film': watch('oxide stands more heat and surge than metal film'),
      'oxide>carbon': watch('oxide stands more heat than carbon'),
      'oxide>wirewound': watch('wirewound has inductance: not where it sees a pulse'),
      'wirewound>oxide': watch('oxide takes less of an overload than wire'),
      'wirewound>film': no('film takes no overload as wire does'),
      'wirewound>carbon': no('carbon takes no overload as wire does'),
      'film>wirewound': no('wirewound has inductance, and film may sit where that matters'),
      'carbon>wirewound': watch('wirewound has inductance: not where it sees a pulse'),
    },
    { missing: 'skip' },
  ),
  size: intoTheHole,
};

const inrush = ({ original }: Asked) => original.figures.type !== 'ptc';

/** Half of C·V², where a place tells both the volts and what it charges. */
export const thermistorRules: Readonly<Record<string, Rule>> = {
  type: sameWord({
    'ntc>ptc': no('its resistance rises where it has to fall: the set does not start'),
    'ptc>ntc': no('its resistance falls where it has to rise: the degauss coil, or what it protects, burns'),
  }),
  ohms: near({
    within: (asked) => (inrush(asked) ? [0.1, 0.35] : [0.2, 0.2]),
    watched: (asked) => (inrush(asked) ? [0.35, 1.05] : [0.35, 0.35]),
    why: (asked) =>
      inrush(asked)
        ? 'cold ohms set the inrush: less strains bridge, fuse and switch, more drops more when warm'
        : 'cold ohms set how hard the coil is driven',
  }),
  amps: atLeast({ stress: ({ amps }) => amps, margin: 1.1 }),
  volts: atLeast({ stress: ({ volts }) => volts }),
  joules: atLeast({ soft: 0.9 }),
  beta: near({ within: () => [0.1, 0.1], watched: () => [0.2, 0.2] }),
  pinsCount: near({ within: () => [0, 0] }),
  size: intoTheHole,
};

const overMains = 1.1;

export const varistorRules: Readonly<Record<string, Rule>> = {
  ac: (was, is, asked) => {
    const put = asked.place.volts;
    const c = is as number | undefined;
    const peak = c === undefined ? undefined : c * Math.SQRT2;
    if (put !== undefined && peak !== undefined && peak < put * overMains)
      return no(`conducts from ${Math.round(peak)} V, and the place has peaks of ${Math.round(put)}: it would burn`);
    return near({
      within: () => [0.03, 0.05],
      watched: () => [0.03, 0.2],
      why: () =>
        (c ?? 0) < ((was as number | undefined) ?? 0)
          ? 'it conducts on an ordinary high mains, and burns'
          : 'it lets more through before it acts',
    })(was, is, asked);
  },
  surge: atLeast({ soft: 0.8 }),
  joules: atLeast({ soft: 0.8 }),
  disc: atLeast({ soft: 0.7, better: 1.4 }),
};

export const fuseRules: Readonly<Record<string, Rule>> = {
  amps: (was, is, asked) => {
    const o = was as number | undefined;
    const c = is as number | undefined;
    if (o !== undefined && c !== undefined && c > o * 1.001)
      return no(`${c} A for ${o}: something else becomes the fuse`);
    return near({ within: () => [0.01, 0], watched: () => [0.25, 0], why: () => 'it may open without a fault' })(
      was,
      is,
      asked,
    );
  },
  volts: atLeast({ stress: ({ volts }) => volts, byPlace: () => false }),
  speed: sameWord({
    'fast>slow': no('a slow fuse where a fast one sat lets a short live long enough to take parts with it'),
    'fast>medium': no('slower than the old one: a short lives longer'),
    'medium>slow': no('slower than the old one: a short lives longer'),
    'slow>fast': watch('a fast fuse where a slow one sat opens at the inrush'),
    'slow>medium': watch('it may open at the inrush'),
    'medium>fast': watch('it may open at the inrush'),
  }),
  breaking: sameWord({
    'ceramic>glass': no('glass cannot break a short on the mains: it bursts, or goes on burning'),
    'glass>ceramic': { verdict: 'better', reason: 'breaks a larger current' },
  }),
  melting: near({
    within: () => [0.3, 0.15],
    watched: () => [0.6, 0.6],
    why: () => 'less opens at the inrush, more lets a short live longer',
  }),
  size: sizeOfFuse(),
};

function sizeOfFuse(): Rule {
  return (was, is, asked) => {
    if (was === undefined) return undefined;
    if (is === undefined) return watch(`the new one does not say; the holder takes ${asked.figure.write(was)}`);
    return asked.figure.write(was) === asked.figure.write(is)
      ? { verdict: 'fits', reason: 'goes into the holder' }
      : no(`${asked.figure.write(is)} does not go into a holder for ${asked.figure.write(was)}`);
  };
}

export const crystalRules: Readonly<Record<string, Rule>> = {
  hertz: near({
    within: () => [50e-6, 50e-6],
    watched: () => [300e-6, 300e-6],
    why: () => 'a trimmer pulls it no further than this',
  }),
  load: near({
    within: () => [0.15, 0.15],
    watched: () => [0.5, 0.5],
    why: () => 'it runs off its frequency: retrim it',
  }),
  type: sameWord({
    'crystal>resonator': no('a resonator is a thousand times less exact than a crystal'),
    'resonator>crystal': watch('a crystal starts more slowly and wants its own load capacitors'),
  }),
  cut: sameWord(
    {},
    { otherwise: (reason) => watch(`${reason}: it runs beside its frequency`, 'add or bridge the series capacitor') },
  ),
  tolerance: atMost({ soft: 2 }),
};

export const lampRules: Readonly<Record<string, Rule>> = {
  watts: near({ within: () => [0.01, 0.01], why: () => 'the ballast drives what it was made for' }),
  volts: near({ within: () => [0.1, 0.1], watched: () => [0.2, 0.2] }),
  number: sameWord({}, { otherwise: (reason) => watch(`${reason}: compare arc length, reflector and plug`) }),
  hours: atLeast({ soft: 0.5 }),
  housed: has(() => watch('a bare lamp', 'move it into the old holder with gloves on, and see that it sits square')),
};

export const fanRules: Readonly<Record<string, Rule>> = {
  volts: near({ within: () => [0.05, 0.05], why: () => 'too slow, or too fast and loud' }),
  amps: atMost({ soft: 2 }),
  flow: atLeast({ soft: 0.85 }),
  sensor: has(() => no('no speed lead: the set takes it for stalled and goes off')),
  size: intoTheHole,
};
