import { dielectricOf } from '../part/dielectric';
import { switches } from './place';
import { type Asked, atLeast, atMost, has, intoTheHole, near, no, type Rule, sameWord, watch } from './rules';

const isElectrolytic = (name: string | undefined) => name === 'electrolytic' || name === 'tantalum';

/** Sets a time or a resonance: its value is the circuit’s. */
const setsTiming = ({ original, place: { roles } }: Asked): boolean =>
  roles.has('retrace') ||
  roles.has('sCorrection') ||
  roles.has('timing') ||
  (original.figures.pulse === true && !isElectrolytic(dielectricOf(original)));

const farads: Rule = near({
  within: (asked) => {
    if (setsTiming(asked)) return [0.05, 0.05];
    if (typeof asked.original.figures.class === 'string' && asked.original.figures.class.startsWith('y'))
      return [0.2, 0];
    return isElectrolytic(dielectricOf(asked.original)) ? [0.1, 0.5] : [0.1, 0.1];
  },
  watched: (asked) => {
    if (setsTiming(asked)) return [0.05, 0.05];
    if (typeof asked.original.figures.class === 'string' && asked.original.figures.class.startsWith('y'))
      return [0.5, 0];
    return isElectrolytic(dielectricOf(asked.original)) ? [0.2, 1.25] : [0.2, 0.2];
  },
  why: (asked) => {
    const { roles } = asked.place;
    if (roles.has('retrace')) return 'it sets the retrace time, and with it the high voltage and its X-rays';
    if (roles.has('sCorrection')) return 'it sets width and linearity';
    if (setsTiming(asked)) return 'what it is part of is tuned by it';
    if (typeof asked.original.figures.class === 'string' && asked.original.figures.class.startsWith('y'))
      return 'more lets more current through to whoever touches the set';
    return undefined;
  },
});

/** Volts that may never be lowered by what the place seems to show. */
const guarded = ({ original, place: { roles } }: Asked): boolean =>
  roles.has('retrace') ||
  roles.has('safety') ||
  roles.has('mains') ||
  original.figures.class !== undefined ||
  original.figures.pulse === true;

const marginOf = 1.2;

const volts = atLeast({
  stress: ({ volts: put }) => put,
  margin: marginOf,
  byPlace: (asked) => !guarded(asked),
  better: 1.24,
});

const dielectrics: Readonly<Record<string, Readonly<Record<string, ReturnType<typeof no>>>>> = {
  electrolytic: {
    tantalum: watch('tantalum takes no surge and fails short: only where current into it is limited'),
    film: { verdict: 'better', reason: 'film does not dry out' },
    ceramic: watch('ceramic loses much of its value under volts, and has next to no ESR'),
  },
  tantalum: {
    electrolytic: watch('a can of the same value has more ESR and leaks more'),
    film: { verdict: 'better', reason: 'film neither dries out nor fails short' },
    ceramic: watch('ceramic loses much of its value under volts'),
  },
  film: {
    electrolytic: no('a can in place of film: polarised, leaky, and far too much loss'),
    tantalum: no('tantalum in place of film: polarised'),
    ceramic: watch('ceramic drifts with heat and volts where film does not'),
  },
  ceramic: {
    film: watch('film is larger and has more inductance: near a fast switch it does less'),
    electrolytic: no('a can in place of a ceramic: polarised, and no use at high frequency'),
    tantalum: no('tantalum in place of a ceramic: polarised'),
  },
};

const dielectric: Rule = (was, is, asked) => {
  const o = dielectricOf(asked.original);
  const c = dielectricOf(asked.candidate);
  if (o === undefined) return undefined;
  if (c === undefined) return watch(`the new one does not say; the old one is ${o}`);
  if (o === c) return was === undefined && is === undefined ? undefined : { verdict: 'fits', reason: `${c}, the same` };
  if (setsTiming(asked)) return no(`${c} in place of ${o}: it heats or drifts where it carries the pulse`);
  return dielectrics[o]![c]!;
};

const classes: Readonly<Record<string, readonly string[]>> = {
  x2: ['x1', 'y2', 'y1'],
  x1: ['y1'],
  y2: ['y1'],
  y1: [],
};

const safetyClass: Rule = (was, is, { place: { roles } }) => {
  const o = (was as string | undefined) ?? (roles.has('mains') ? 'x2' : undefined);
  const c = is as string | undefined;
  if (o === undefined) return undefined;
  const named = o.toUpperCase();
  if (c === undefined)
    return no(`${named} is made to fail open across the mains; an ordinary one may burn or make the chassis live`);
  if (c === o) return { verdict: 'fits', reason: `${named}, the same` };
  return classes[o]!.includes(c)
    ? { verdict: 'better', reason: `${c.toUpperCase()} is made for more than ${named}` }
    : no(`${c.toUpperCase()} does not stand for ${named}`);
};

const lowEsr: Rule = has(
  ({ candidate, original }) =>
    candidate.figures.esr !== undefined && original.figures.esr !== undefined
      ? { verdict: 'fits', reason: 'not marked low ESR; its figure decides' }
      : dielectricOf(candidate) === 'film'
        ? { verdict: 'fits', reason: 'film has lower ESR than any can' }
        : no('an ordinary can where a low-ESR one sat: it heats, and its supply fails early or never starts'),
  ({ place: { roles } }) =>
    roles.has('regulator')
      ? watch(
          'low ESR at the output of a linear regulator can make it oscillate',
          'put 0.5 to 1 Ω in series, or take an ordinary can',
        )
      : { verdict: 'better', reason: 'low ESR, where the old one was not marked so' },
);

const esr: Rule = (was, is, asked) => {
  if (was !== undefined && is === undefined && asked.candidate.figures.lowEsr === true)
    return watch('marked low ESR, its figure not given: measure it before it is fitted');
  return atMost({
    soft: 1.5,
    least: {
      share: 0.2,
      why: 'so low an ESR can upset the regulator or snubber it sits in',
      when: ({ place: { roles } }) => roles.has('regulator') || roles.has('snubber'),
    },
  })(was, is, asked);
};

const degrees: Rule = (was, is, asked) => {
  const o = was as number | undefined;
  const c = is as number | undefined;
  if (c !== undefined && o !== undefined && c < o)
    return switches(asked.place) || asked.original.figures.lowEsr === true
      ? no(`${c} °C where the old one was made for ${o}: half the life for every ten degrees`)
      : watch(`${c} °C for ${o}: half the life for every ten degrees; keep it off the heat sink`);
  if (c !== undefined && o === undefined && c < 105 && switches(asked.place))
    return watch(`${c} °C in a converter: 105 is usual`);
  return atLeast({ better: 1.1 })(was, is, asked);
};

const bipolar: Rule = has(
  ({ candidate }) =>
    isElectrolytic(dielectricOf(candidate))
      ? no('a polarised can where a bipolar one sat: it is reversed every cycle')
      : { verdict: 'fits', reason: 'not polarised' },
  () => ({ verdict: 'fits', reason: 'bipolar in place of polarised: either way round' }),
);

const pulse: Rule = has(() => no('not pulse-rated: it heats and opens where the old one carried the retrace pulse'));

const pulseInPlace: Rule = (was, is, asked) => {
  const needs =
    asked.place.roles.has('retrace') || asked.place.roles.has('sCorrection') || asked.place.roles.has('snubber');
  if (was === undefined && is === undefined && needs && !isElectrolytic(dielectricOf(asked.original)))
    return watch('nothing says that it is pulse-rated, and the place is one');
  return pulse(was, is, asked);
};

export const capacitorRules: Readonly<Record<string, Rule>> = {
  farads,
  volts,
  ac: atLeast({ byPlace: () => false }),
  dielectric,
  tolerance: atMost({ soft: 2, better: 0.5, strict: setsTiming }),
  degrees,
  hours: atLeast({ soft: 0.4, better: 1.5 }),
  esr,
  ripple: atLeast({ stress: ({ amps }) => amps, soft: 0.8, better: 1.3 }),
  lowEsr,
  bipolar,
  pulse: pulseInPlace,
  slope: atLeast({ byPlace: () => false }),
  class: safetyClass,
  np0: has(() => no('not NP0: it drifts with heat and volts, and what it tunes with it')),
  mount: sameWord(
    {
      'radial>axial': watch('axial leads where radial ones sat', 'stand it up, its far lead sleeved'),
      'axial>radial': watch('radial leads where axial ones sat', 'lengthen one lead, sleeved, and tie it down'),
    },
    { missing: 'skip' },
  ),
  size: intoTheHole,
};
