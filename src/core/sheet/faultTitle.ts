import { type FaultMode, faultModes } from '../parts';

/** A part as far as its name goes. */
interface NamedPart {
  readonly id: string;
  readonly title: string;
}

/** A part by its title and, where it has a number, its reference: `Upper floating capacitor C547`. */
export function partName(part: NamedPart): string {
  const numbered = /\d/.test(part.id) && !part.title.includes(part.id);
  return numbered ? `${part.title} ${part.id}` : part.title;
}

/** How a fault is named where the sheet gives no title: `C547 dried out`. */
export function faultTitle(part: NamedPart, mode: FaultMode): string {
  return `${partName(part)} ${faultModes[mode].said}`;
}
