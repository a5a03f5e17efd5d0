import { type SupplyPart } from './readPart';

/** From this value on a capacitor that says nothing else is a can. */
const cansFrom = 1e-6;

/** What a capacitor is made of: as it is said, or as its other figures show. */
export function dielectricOf({ figures }: SupplyPart): string | undefined {
  const {
    dielectric,
    farads,
    degrees,
    hours,
    lowEsr,
    bipolar,
    esr,
    ripple,
    pulse,
    class: safety,
    slope,
    np0,
  } = figures;
  if (dielectric !== undefined) return dielectric as string;
  if (np0 !== undefined) return 'ceramic';
  if (pulse !== undefined || slope !== undefined) return 'film';
  if (typeof safety === 'string') return safety.startsWith('x') ? 'film' : 'ceramic';
  const marks = [degrees, hours, lowEsr, bipolar, esr, ripple];
  if (marks.some((mark) => mark !== undefined)) return 'electrolytic';
  return typeof farads === 'number' && farads >= cansFrom ? 'electrolytic' : undefined;
}
