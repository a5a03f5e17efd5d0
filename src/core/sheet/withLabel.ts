import { type Sheet } from './sheet';

/** The sheet for one particular set: nets that follow the panel label take the values read off it. */
export function withLabel(sheet: Sheet, values: Readonly<Record<string, number>>): Sheet {
  const nets = [...sheet.nets].map(([id, net]) => {
    const value = net.label === undefined ? undefined : values[net.label];
    return [id, value === undefined ? net : { ...net, volts: value }] as const;
  });
  return { ...sheet, nets: new Map(nets) };
}
