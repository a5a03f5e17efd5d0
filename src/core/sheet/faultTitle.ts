import { type FaultMode, type Part } from './sheet';

const phrases: Readonly<Record<FaultMode, string>> = {
  open: 'open',
  short: 'shorted',
  leaky: 'leaky',
  dry: 'dried out',
  drifted: 'drifted',
  joint: 'joint cracked',
  loose: 'loose',
  worn: 'worn',
  missing: 'missing',
  dirty: 'dirty',
  stalled: 'stalled',
  dead: 'dead',
  misset: 'set wrong',
  cracked: 'cracked',
};

/** A part by its title and, where it has a number, its reference: `Upper floating capacitor C547`. */
export function partName(part: Pick<Part, 'id' | 'title'>): string {
  const numbered = /\d/.test(part.id) && !part.title.includes(part.id);
  return numbered ? `${part.title} ${part.id}` : part.title;
}

/** How a fault is named where the sheet gives no title: `C547 dried out`. */
export function faultTitle(part: Pick<Part, 'id' | 'title'>, mode: FaultMode): string {
  return `${partName(part)} ${phrases[mode]}`;
}
