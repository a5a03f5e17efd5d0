import { type Tolerance } from '../quantity';
import { type Net, type Sheet } from './sheet';

/** What is printed on labels lies this far about the ordinary value of a kind of set. */
const unreadTolerance: Tolerance = { relative: 0.25 };

/**
 * The sheet for one particular set: nets that follow the panel label take the values read off it. Where a label was
 * not read, the nominal of a kind of set is no more than a guess.
 *
 * @param values in volts, by label field
 */
export function withLabel(sheet: Sheet, values: Readonly<Record<string, number>>): Sheet {
  if (sheet.label.size === 0) return sheet;
  const nets = [...sheet.nets].map(([id, net]) => {
    if (net.label === undefined) return [id, net] as const;
    const value = values[net.label];
    if (value !== undefined) return [id, { ...net, volts: value, source: 'label' as const }] as const;
    const isGuess = sheet.label.get(net.label)!.source === 'guess' && net.source === 'label';
    return [id, isGuess ? { ...net, source: 'guess' as const, tolerance: unreadTolerance } : net] as const;
  });
  return { ...sheet, nets: new Map(nets) };
}

/** Does a net go by a label that nobody has read, at a guess meanwhile? */
export const isUnread = ({ label, source }: Pick<Net, 'label' | 'source'>): boolean =>
  label !== undefined && source === 'guess';
