import { partKinds } from '../../parts';
import { toleranceWidth } from '../../quantity';
import { number, settled } from '../expectation';
import { type MeasuredPart, type NumberWay } from '../way';

/** A capacitor nobody has marked. */
const usual = 100e-9;
/** Of a kind of which nothing is known. */
const wide = { below: 0.2, above: 0.2 };

const marked = ({ size, given }: MeasuredPart) => given ?? size ?? usual;

/** How far below and above its mark a good one may measure, as shares: by the sheet, else by its kind. */
function tolerances(part: MeasuredPart): { readonly below: number; readonly above: number } {
  if (!part.tolerance) return partKinds[part.kind].tolerance ?? wide;
  const share = toleranceWidth(part.tolerance, marked(part)) / marked(part);
  return { below: share, above: share };
}

/** Farads with a leg lifted: too much is wrong as well as too little, since leakage reads as more. */
export const capacitance: NumberWay = {
  kind: 'number',
  title: 'capacitance, one leg lifted',
  words: ['farads', 'capacity'],
  example: '8n2',
  unit: 'F',
  instrument: 'capacitance meter',
  scale: 'log',
  state: 'cold',
  ground: 'none',
  miss: 0.01,
  positive: true,
  ofPart(part, mode) {
    const good = marked(part);
    const { below, above } = tolerances(part);
    if (mode === 'open' || mode === 'missing') return number('log', settled(good * 1e-3, 0.4));
    if (mode === 'short') return number('log', settled(Infinity, 0.3));
    if (mode === 'leaky') return number('log', settled(good * 1.8, 0.12));
    if (mode === 'dry' || mode === 'drifted' || mode === 'worn') return number('log', settled(good * 0.65, 0.1));
    return number('log', settled(good, Math.log10(1 + Math.min(below, above)) / 2.5));
  },
  partLimits(part, nominal) {
    const { below, above } = tolerances(part);
    return { deadBelow: 0.02 * nominal, lowBelow: nominal * (1 - below), highAbove: nominal * (1 + above) };
  },
  dead: 'open',
  help: ['C412 farads 7n9', 'capacitance with a leg lifted, by the tolerance of its kind'],
};
