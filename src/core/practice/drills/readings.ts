import { formatQuantity, type Unit } from '../../quantity';
import { type Random } from '../../statistics';
import { oneOf, type TypedDrill } from './drill';

/** Three figures, as they are said. */
const said = (value: number, unit: Unit) => formatQuantity(value, unit, 3);

/** Divisions on a screen → volts, with what the probe divides by. */
export function scopeDrill(random: Random): TypedDrill {
  const perDivision = oneOf([0.005, 0.01, 0.02, 0.05, 0.1, 0.2, 0.5, 1, 2, 5], random);
  const divisions = Math.round(4 + 26 * random()) / 5;
  const probe = oneOf([1, 10, 10, 100], random);
  const value = perDivision * divisions * probe;
  return {
    skill: 'instruments',
    ask: `On the screen the ripple is ${divisions} divisions high at ${said(perDivision, 'V')} a division; the probe is ×${probe}${probe === 1 ? '' : ', the screen knows nothing of it'}. How high is it?`,
    why: `${divisions} × ${said(perDivision, 'V')} is ${said(perDivision * divisions, 'V')} at the input${probe === 1 ? '' : `, times ${probe} at the tip: ${said(value, 'V')}`}.`,
    // Halves and fifths are reckoned in the head; a divided probe is forgotten.
    difficulty: -1.4 + (probe === 1 ? 0 : probe === 10 ? 0.7 : 1.1) + (Number.isInteger(divisions) ? 0 : 0.6),
    value,
    unit: 'V',
    within: 0.02,
  };
}

/** Input resistance of the usual meter. */
const meter = 10e6;

/** A node of high resistance → what a meter makes of it. */
export function loadingDrill(random: Random): TypedDrill {
  const source = oneOf([100e3, 470e3, 1e6, 2.2e6, 4.7e6, 10e6, 22e6], random);
  const volts = oneOf([12, 24, 50, 100, 200, 400], random);
  const value = (volts * meter) / (meter + source);
  return {
    skill: 'instruments',
    ask: `A node of ${said(volts, 'V')} is fed through ${said(source, 'Ω')} and nothing else loads it. What does a meter of 10 MΩ show?`,
    why: `Meter and feed divide: ${said(volts, 'V')} × 10 / ${((meter + source) / 1e6).toFixed(1)} is ${said(value, 'V')}. A low reading there is no fault.`,
    // That a meter loads at all is forgotten; that it halves is easy to reckon.
    difficulty: source < 0.05 * meter ? -0.6 : source === meter ? 0.1 : 0.9,
    value,
    unit: 'V',
    within: 0.04,
  };
}

/** A store and a tool → how long it is to be held on. */
export function dischargeDrill(random: Random): TypedDrill {
  const farads = oneOf([10, 22, 47, 100, 150, 220, 330, 470, 1000], random) * 1e-6;
  const ohms = oneOf([220, 470, 1000, 2200, 4700, 10_000], random);
  const value = 5 * ohms * farads;
  return {
    skill: 'safety',
    ask: `A store of ${said(farads, 'F')} is drained through ${said(ohms, 'Ω')}. How many seconds are five time constants?`,
    why: `One is ${said(ohms, 'Ω')} × ${said(farads, 'F')} = ${said(ohms * farads, 's')}, five are ${said(value, 's')}: less than a hundredth is left. Then it is read.`,
    // Round thousands leave only the figures of the store.
    difficulty: ohms === 1000 || ohms === 10_000 ? -0.3 : 0.8,
    value,
    unit: 's',
    within: 0.06,
  };
}
