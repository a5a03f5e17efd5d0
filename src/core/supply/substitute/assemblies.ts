import { has, near, no, type Rule, sameWord, watch } from './rules';

export const flybackRules: Readonly<Record<string, Rule>> = {
  number: sameWord({}, { otherwise: (reason) => watch(`${reason}: compare pins, ratios and taps one by one`) }),
  eht: near({
    within: () => [0.03, 0.01],
    watched: () => [0.12, 0.04],
    why: () => 'high voltage sets brightness, size and X-rays: never above the limit of the tube and the chassis',
  }),
  supply: near({ within: () => [0.03, 0.03], watched: () => [0.08, 0.08] }),
  pinsCount: near({ within: () => [0, 0] }),
  focus: has(() => no('no focus and screen taps: nothing on the board makes them')),
  retrace: near({
    within: () => [0.02, 0.02],
    watched: () => [0.3, 0.3],
    why: () =>
      'fit the capacitor that this transformer is listed with, and measure high voltage and retrace before anything else',
  }),
};

/** What the line stage sees of a coil: its current, width and retrace go with its henries. */
const coil = (what: string): Rule =>
  near({
    within: () => [0.06, 0.06],
    watched: () => [0.2, 0.2],
    why: () => `${what} goes with it: adjust, or move tube and yoke as a pair`,
  });

export const yokeRules: Readonly<Record<string, Rule>> = {
  line: coil('width, retrace and high voltage'),
  field: coil('height and linearity'),
  lineOhms: near({ within: () => [0.15, 0.15], watched: () => [0.5, 0.5], why: () => 'linearity goes with it' }),
  fieldOhms: near({
    within: () => [0.1, 0.1],
    watched: () => [0.4, 0.4],
    why: () => 'the field amplifier drives that load',
  }),
  angle: near({ within: () => [0, 0], why: () => 'it hits the neck, or does not fill the screen' }),
  neck: near({ within: () => [0.01, 0.01], why: () => 'it does not go over the neck, or sits loose' }),
};

export const tubeRules: Readonly<Record<string, Rule>> = {
  type: sameWord(
    {},
    { otherwise: (reason) => watch(`${reason}: all else as below, another gun may still want other volts`) },
  ),
  suffix: sameWord(
    {},
    { otherwise: (reason) => watch(`${reason}: often only the phosphor, the glass or the strap; write it down`) },
  ),
  diagonal: near({ within: () => [0.01, 0.01], why: () => 'it does not sit in the cabinet' }),
  neck: near({ within: () => [0.01, 0.01], why: () => 'neither yoke nor socket goes on' }),
  base: sameWord({}, { otherwise: (reason) => no(`${reason}: another socket, pins in another order`) }),
  angle: near({ within: () => [0, 0], why: () => 'the yoke of the set does not fill it, or overscans it' }),
  heater: near({
    within: () => [0.03, 0.03],
    watched: () => [0.06, 0.06],
    why: () => 'too much burns the heater, too little starves the cathode',
  }),
  heaterAmps: near({
    within: () => [0.05, 0.05],
    watched: () => [0.25, 0.25],
    why: () => 'its series resistor has to be changed: measure the heater r.m.s. at the socket',
  }),
  strap: has(() => watch('no grounding strap', 'move the strap of the old tube over, and bring it to the neck board')),
  lugs: sameWord({}, { otherwise: (reason) => watch(reason, 'move the clamp band over, or make brackets') }),
};

export const boardRules: Readonly<Record<string, Rule>> = {
  number: sameWord({}, { otherwise: (reason) => no(`${reason}: another board`) }),
  revision: sameWord(
    {},
    {
      otherwise: (reason) =>
        watch(`${reason}: usually but not surely the same: compare connectors, straps and firmware before power`),
    },
  ),
  panel: sameWord(
    {},
    {
      otherwise: (reason) =>
        watch(`${reason}: its rails belong to the other glass`, 'set its rails to the label of the glass it drives'),
    },
  ),
  model: sameWord({}, { otherwise: (reason) => watch(`${reason}: straps and firmware may differ`) }),
  tested: has(
    () => watch('not tested: boards arrive dead; test it on arrival, while it can still go back'),
    () => ({ verdict: 'better', reason: 'tested' }),
  ),
};
