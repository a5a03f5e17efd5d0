import { switches } from './place';
import { type Asked, atLeast, atMost, has, near, no, overlaps, type Rule, sameWord, watch } from './rules';

const margin = 1.2;
const materialOf = (figures: Asked['original']['figures']) => (figures.material as string | undefined) ?? 'silicon';

/** A part of another case has to be mounted anew. */
const otherCase: Rule = (was, is) => {
  if (was === undefined) return undefined;
  if (is === undefined) return watch(`the new one does not say; the old one is ${String(was)}`);
  return was === is
    ? { verdict: 'fits', reason: `${String(is)}, the same` }
    : watch(`${String(is)} for ${String(was)}`, 'fit it to the heat sink anew, insulated where the old one was');
};

const insulatedTab: Rule = has(
  () => watch('its tab is live, the old one’s was not', 'put an insulating pad and a bush between tab and heat sink'),
  () => ({ verdict: 'fits', reason: 'insulated tab: takes no pad; it sheds a little less heat' }),
);

const pins: Rule = (was, is) => {
  if (was === undefined || is === undefined)
    return was === undefined ? undefined : watch(`the new one does not say; the old one is ${String(was)}`);
  return was === is
    ? { verdict: 'fits', reason: `${String(is)}, the same` }
    : watch(`pins ${String(is)} where the old ones are ${String(was)}`, `cross the leads, sleeved, to ${String(was)}`);
};

const material: Rule = (_was, _is, { original, candidate }) => {
  const o = materialOf(original.figures);
  const c = materialOf(candidate.figures);
  if (original.figures.material === undefined && c === 'silicon') return undefined;
  if (o === c) return { verdict: 'fits', reason: `${c}, the same` };
  return no(
    o === 'germanium'
      ? 'silicon where germanium sat: the bias is made for 0.2 V and not for 0.6'
      : 'germanium where silicon sat: it is on before it should be, and leaks when warm',
  );
};

const isLineOutput = ({ original, place: { roles } }: Asked) =>
  roles.has('lineOutput') || original.figures.damper === true;

const damper: Rule = has(
  () =>
    watch(
      'no damper inside, and the old one had one',
      'put a damper diode of the same volts and amperes from collector to emitter',
    ),
  (asked) =>
    isLineOutput(asked) || asked.place.roles.has('retrace')
      ? { verdict: 'fits', reason: 'a damper inside, beside the one on the board' }
      : watch('a diode inside from emitter to collector: not where the collector swings below the emitter'),
);

/** A base resistor inside takes some of the drive. */
const baseResistor: Rule = (was, is) => {
  const o = was as number | undefined;
  const c = is as number | undefined;
  if (o === undefined && c === undefined) return undefined;
  if (o === undefined)
    return watch(
      `${c} Ω from base to emitter inside takes ${Math.round(700 / c!)} mA of the drive`,
      'see that the driver gives that much more, or lower its base resistor',
    );
  if (c === undefined) return watch('no base resistor inside', `put ${o} Ω from base to emitter`);
  return c >= 0.7 * o && c <= 1.5 * o
    ? { verdict: 'fits', reason: `${c} Ω for ${o}` }
    : watch(
        `${c} Ω for ${o} from base to emitter`,
        c > o ? `put ${Math.round((c * o) / (c - o))} Ω beside it` : 'see that the driver gives what it takes more',
      );
};

const collectorVolts: Rule = atLeast({ stress: ({ volts }) => volts, margin, better: 1.3 });

export const transistorRules: Readonly<Record<string, Rule>> = {
  polarity: sameWord({
    'npn>pnp': no('the wrong polarity'),
    'pnp>npn': no('the wrong polarity'),
    'npn>nfet': no('a field-effect transistor wants volts on its gate and gets current'),
    'nfet>npn': no('a bipolar transistor wants current in its base and gets none'),
  }),
  material,
  volts: collectorVolts,
  ceo: atLeast({ byPlace: () => false }),
  amps: atLeast({ stress: ({ amps }) => amps, margin }),
  watts: atLeast({ stress: ({ watts }) => watts, margin: 1.5 }),
  gain: overlaps(0.75, 2, 'it may oscillate, and shifts a bias that counts on its gain'),
  hertz: (was, is, asked) => {
    const o = was as number | undefined;
    const c = is as number | undefined;
    if (o !== undefined && c !== undefined && c > 20 * o)
      return watch(
        `${asked.figure.write(c)} for ${asked.figure.write(o)}: so fast a one may oscillate`,
        'put a bead or 47 Ω on its base',
      );
    return atLeast({ soft: 0.7, better: 1.5 })(was, is, asked);
  },
  on: atMost({ soft: 1.3 }),
  charge: atMost({ soft: 1.5 }),
  darlington: has(
    () => no('a Darlington sat here: a single one has a hundredth of its gain'),
    () => no('a Darlington needs twice the base volts, and has far too much gain'),
  ),
  damper,
  baseResistor,
  pins,
  gate: pins,
  insulated: insulatedTab,
  case: otherCase,
};

const slow = (reason: string) => no(reason);

const diodeTypes = sameWord({
  'rectifier>fast': { verdict: 'better', reason: 'fast in place of an ordinary rectifier' },
  'rectifier>schottky': watch('Schottky leaks more when hot, and few bear much reverse'),
  'rectifier>signal': no('a signal diode carries no supply current'),
  'fast>rectifier': slow('a mains rectifier at this speed never turns off: it heats and fails in minutes'),
  'fast>schottky': watch('Schottky is faster and leaks more when hot'),
  'schottky>fast': watch('drops half a volt more: the rail is lower by that, and the diode hotter'),
  'schottky>rectifier': slow('far too slow, and drops half a volt more'),
  'signal>rectifier': watch('slower, and has more capacitance'),
  'signal>fast': watch('more capacitance than a signal diode'),
  'signal>schottky': watch('drops less and leaks more'),
  'signal>germanium': no('germanium leaks, and drops a third'),
  'germanium>signal': no('silicon where germanium sat: what it detects is under its 0.6 V'),
  'germanium>schottky': watch('drops about as little as germanium; leaks less, breaks down sooner'),
});

const zenerWatts = atLeast({ stress: ({ watts }) => watts, margin: 2 });

/** A damper carries the retrace pulse and turns off within a line. */
const asDamper: Rule = (was, is, { candidate }) => {
  if (was === undefined)
    return is === undefined ? undefined : { verdict: 'fits', reason: 'a damper is a fast diode of many volts' };
  if (is !== undefined) return { verdict: 'fits', reason: 'made as a damper, too' };
  return candidate.figures.type === 'rectifier'
    ? slow('a mains rectifier never turns off in a line: it fails in minutes')
    : watch('see that it bears the retrace pulse, and is as fast to turn on');
};

export const diodeRules: Readonly<Record<string, Rule>> = {
  damper: asDamper,
  type: diodeTypes,
  volts: (was, is, asked) =>
    asked.original.figures.type === 'zener'
      ? near({ within: () => [0.05, 0.05], watched: () => [0.08, 0.08], why: () => 'what it regulates moves with it' })(
          was,
          is,
          asked,
        )
      : atLeast({ stress: ({ volts }) => volts, margin: 1.25, better: 1.3 })(was, is, asked),
  amps: atLeast({ stress: ({ amps }) => amps, margin: 1.5 }),
  watts: zenerWatts,
  recovery: (was, is, asked) => {
    if (was === undefined && is === undefined && switches(asked.place) && asked.candidate.figures.type === 'rectifier')
      return slow('a mains rectifier in a place that switches');
    return atMost({ soft: 1.5, better: 0.7 })(was, is, asked);
  },
  tolerance: atMost({ soft: 2 }),
  case: otherCase,
};

export const regulatorRules: Readonly<Record<string, Rule>> = {
  sign: sameWord({}, { missing: 'skip' }),
  volts: near({
    within: () => [0.02, 0.02],
    watched: () => [0.04, 0.04],
    why: () => 'all that hangs on it runs at that',
  }),
  amps: atLeast({ stress: ({ amps }) => amps, margin }),
  input: atLeast({ stress: ({ volts }) => volts, margin: 1.1 }),
  dropout: atMost({ soft: 1.3 }),
  adjustable: has(
    () => no('a fixed one where an adjustable one sat'),
    () => watch('adjustable', 'set its volts by two resistors'),
  ),
  pins,
  insulated: insulatedTab,
  case: otherCase,
};

export const optocouplerRules: Readonly<Record<string, Rule>> = {
  transfer: overlaps(0.75, 2, 'the loop gain rises with it: the supply may oscillate'),
  isolation: (was, is, asked) => atLeast({ byPlace: () => false })(was, is, asked),
  output: atLeast({ stress: ({ volts }) => volts, margin }),
  type: sameWord({
    'transistor>darlington': no('a Darlington has far more gain and is far slower: the loop oscillates'),
  }),
  base: has(() => watch('its base is not led out', 'see that pin 6 is not used')),
  pinsCount: near({ within: () => [0, 0] }),
};

export const chipRules: Readonly<Record<string, Rule>> = {
  number: sameWord(
    {},
    {
      otherwise: (reason) =>
        no(`${reason}: a chip is its number; what a book gives as its equal is entered under that number`),
    },
  ),
  suffix: sameWord(
    {},
    { otherwise: (reason) => watch(`${reason}: a suffix may be the package, the grade or another gain: look it up`) },
  ),
  body: sameWord({}, { otherwise: (reason) => no(`${reason}: other pads`) }),
  programmed: has(() => no('blank, and the old one is programmed: copy it first, or move it over')),
};
