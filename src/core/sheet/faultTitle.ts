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
  dead: 'dead',
  misset: 'set wrong',
  cracked: 'cracked',
};

/** How a fault is named where the sheet gives no title: `C547 dried out`. */
export function faultTitle(part: Pick<Part, 'id' | 'title'>, mode: FaultMode): string {
  const name = part.title === part.id || part.title.includes(part.id) ? part.title : `${part.title} ${part.id}`;
  return `${name} ${phrases[mode]}`;
}
