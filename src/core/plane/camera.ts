import { type Random } from '../statistics';
import { type Point } from './point';

/** How badly a photograph is taken; every figure the most that is drawn. */
export interface Askew {
  /** Turn of the camera away from straight on, in degrees. */
  readonly degrees: number;
  /** How far the thing bulges towards the camera at half its width off the middle, as a share of its width, times four. */
  readonly curve: number;
  /** Barrel of the lens at half a width off the middle. */
  readonly barrel: number;
}

/** The way from a flat thing of width 1 about the origin, over its curved face, through a camera and its lens, to pixels. */
export function cameraOf(width: number, height: number, most: Askew, random: Random): (place: Point) => Point {
  const draw = (limit: number) => limit * (2 * random() - 1);
  const [yaw, pitch, roll] = [draw(most.degrees), draw(most.degrees * 0.6), draw(4)].map(
    (degrees) => (degrees * Math.PI) / 180,
  );
  const curve = most.curve * random();
  const distance = 1.7 + random();
  const barrel = most.barrel * random();
  const share = 0.72 + 0.12 * random();
  const [shiftX, shiftY] = [draw(0.03), draw(0.03)];
  return ({ x, y }) => {
    const depth = -curve * (x * x + y * y);
    const [x1, z1] = [x * Math.cos(yaw!) + depth * Math.sin(yaw!), -x * Math.sin(yaw!) + depth * Math.cos(yaw!)];
    const [y2, z2] = [y * Math.cos(pitch!) - z1 * Math.sin(pitch!), y * Math.sin(pitch!) + z1 * Math.cos(pitch!)];
    const [x3, y3] = [x1 * Math.cos(roll!) - y2 * Math.sin(roll!), x1 * Math.sin(roll!) + y2 * Math.cos(roll!)];
    const scale = distance / (distance - z2);
    const [px, py] = [x3 * scale, y3 * scale];
    const bent = 1 - barrel * 4 * (px * px + py * py);
    return { x: width * (0.5 + shiftX + share * px * bent), y: height * (0.5 + shiftY) + width * share * py * bent };
  };
}
