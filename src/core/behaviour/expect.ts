import { type Expectation, type MeasuredNet, type MeasuredPart, measures, number, settled } from '../measure';
import { otherwiseCalled, symptomsOf } from '../picture';
import { isGuess, type Point, type Sheet } from '../sheet';
import { type Check } from './checks';
import { joined } from './model';
import { type Behaviour } from './simulate';

/** What `check` gives on a set that behaves like `behaviour`. */
export function expect(behaviour: Behaviour, check: Check): Expectation {
  const way = measures[check.measure];
  if (way.kind !== 'number') {
    if (way.ofSet)
      return way.ofSet({
        sign: check.sign && behaviour.signs.get(check.sign.id),
        blinks: behaviour.blinks,
        symptoms: symptomsOf(behaviour.picture),
        called: otherwiseCalled(behaviour.picture),
      });
    const override = overrideOf(behaviour, check);
    if (override !== undefined) return number('linear', settled(override, 0.1 * Math.abs(override) + 0.5));
    return way.ofParts!(partsAt(behaviour, check.point!), check.point!.miss);
  }
  const override = overrideOf(behaviour, check);
  if (override !== undefined) {
    const sigma = way.scale === 'log' ? 0.15 : 0.1 * Math.abs(override) + 0.5;
    return number(way.scale, settled(override >= 1e9 ? Infinity : override, sigma));
  }
  const point = check.point!;
  if (point.net !== undefined && way.ofNet) return way.ofNet(netAt(behaviour, point));
  const fault = behaviour.faults.find(({ part }) => point.parts.includes(part));
  return way.ofPart!(partAt(behaviour, point), fault?.mode);
}

/** What a fault says by itself that the check reads. */
const overrideOf = ({ faults }: Behaviour, { id }: Check): number | undefined =>
  faults.find(({ reads }) => reads.has(id))?.reads.get(id);

/** The net of a point as it stands there. */
export function netAt(behaviour: Behaviour, point: Point): MeasuredNet {
  const { model, open, context, faults, nets } = behaviour;
  const net = model.sheet.nets.get(point.net!)!;
  const index = model.netIndex.get(net.id)!;
  const reaches = (board: string | undefined) => joined(model, index, point.board, board, open);
  return {
    nominal: point.expect ?? net.volts,
    given: point.expect,
    volts: net.volts,
    tolerance: point.tolerance ?? net.tolerance,
    guessed: isGuess(point, net),
    turning: net.signal === 'motion',
    state: nets[index]!,
    reached:
      context.power === 'live' &&
      (context.strapped.includes(net.id) || joined(model, index, model.sourceBoard[index], point.board, open)),
    shortedHere: faults.some(
      ({ shorts, part }) => shorts.includes(net.id) && reaches(model.sheet.parts.get(part)?.board),
    ),
    lamp: context.lamp,
  };
}

/** The first part of a point as it is marked. */
export const partAt = ({ model }: Behaviour, point: Point): MeasuredPart => partAtPoint(model.sheet, point);

export function partAtPoint({ parts: all }: Sheet, { parts, expect: given, tolerance }: Point): MeasuredPart {
  const { kind, size, voltage } = all.get(parts[0]!)!;
  return { kind, size, voltage, given, tolerance };
}

/** What a look, a touch or heat meets is there whether or not it shows just now. */
function partsAt({ model, present }: Behaviour, { parts }: Point) {
  return parts.map((id) => {
    const fault = present.find(({ part }) => part === id);
    const { kind } = model.sheet.parts.get(id)!;
    return { id, kind, fault: fault && { mode: fault.mode, appears: fault.appears } };
  });
}
