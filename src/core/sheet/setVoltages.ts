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

/** The steps of a sheet that bring a point to a voltage, in the maker’s order. */
export function setVoltages({ setUp, points, nets }: Sheet): SetVoltage[] {
  return setUp.flatMap((step): SetVoltage[] => {
    const point = step.point === undefined ? undefined : points.get(step.point);
    const net = point?.net === undefined ? undefined : nets.get(point.net);
    const volts = point?.expect ?? net?.volts;
    if (point?.measure !== 'dc' || !net || !volts) return [];
    return [{ step, point, net, volts, unread: isUnread(net) }];
  });
}
