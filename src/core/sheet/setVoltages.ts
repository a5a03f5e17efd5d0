import { type Net, type Point, type SetUpStep, type Sheet } from './sheet';
import { isUnread } from './withLabel';

/** A step of setting up that brings a point to a voltage. */
export interface SetVoltage {
  readonly step: SetUpStep;
  readonly point: Point;
  readonly net: Net;
  /** What the point should read on this set, in volts. */
  readonly volts: number;
  /** It goes by a label that nobody has read: no more than the ordinary value of a kind of set. */
  readonly unread: boolean;
}

/** What a point should read on this set with a meter to ground, in volts; undefined where it is no such point. */
export function voltageAt(
  { points, nets }: Pick<Sheet, 'points' | 'nets'>,
  id: string | undefined,
): Pick<SetVoltage, 'point' | 'net' | 'volts'> | undefined {
  const point = id === undefined ? undefined : points.get(id);
  const net = point?.net === undefined ? undefined : nets.get(point.net);
  const volts = point?.expect ?? net?.volts;
  return point?.measure === 'dc' && net && volts ? { point, net, volts } : undefined;
}

/** The steps of a sheet that bring a point to a voltage, in the maker’s order. */
export function setVoltages(sheet: Sheet): SetVoltage[] {
  return sheet.setUp.flatMap((step): SetVoltage[] => {
    const at = voltageAt(sheet, step.point);
    return at ? [{ step, ...at, unread: isUnread(at.net) }] : [];
  });
}
