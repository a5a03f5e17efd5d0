import { toleranceWidth } from '../quantity';
import { symptomsOf } from '../picture';
import { type Net, type Point } from '../sheet';
import { type Check } from './checks';
import { choice, type Expectation, number, settled } from './expectation';
import { deadRatio, joined } from './model';
import { expectPart } from './partReading';
import { type Behaviour, type NetState } from './simulate';

/** Chance that a rail that is up for a second is caught by the meter. */
const caught = 0.8;
/** A set with a lamp in series runs on about this share of its rails, give or take. */
const underLamp = { share: 0.85, sigma: 0.15 };

/** What `check` gives on a set that behaves like `behaviour`. */
export function expect(behaviour: Behaviour, check: Check): Expectation {
  const override = check.point && behaviour.faults.find((fault) => fault.reads.has(check.id))?.reads.get(check.id);
  if (check.sign) return choice([behaviour.signs.get(check.sign.id) ?? 'no', 1]);
  if (check.measure === 'blinks') return choice([String(behaviour.blinks), 1]);
  if (check.measure === 'picture') return { kind: 'picture', symptoms: symptomsOf(behaviour.picture) };
  const point = check.point!;
  if (override !== undefined) {
    const scale = point.measure === 'ohms' || point.measure === 'esr' ? 'log' : 'linear';
    const value = override >= 1e9 ? Infinity : override;
    return number(scale, settled(value, scale === 'log' ? 0.15 : 0.1 * Math.abs(override) + 0.5));
  }
  return point.net === undefined ? expectPart(behaviour, check, point) : expectNet(behaviour, point, point.net);
}

function expectNet(behaviour: Behaviour, point: Point, netId: string): Expectation {
  const { model } = behaviour;
  const net = model.sheet.nets.get(netId)!;
  const index = model.netIndex.get(netId)!;
  const state = behaviour.nets[index]!;
  if (point.measure === 'ohms') return expectRailOhms(behaviour, point, index);
  const here = joined(model, index, model.sourceBoard[index], point.board, behaviour.open);
  if (behaviour.context.power !== 'live' || !here) return number('linear', settled(0, deadSigma(net, point)));
  if (point.measure === 'ripple') return expectRipple(net, state);
  if (point.measure === 'hertz') {
    const hertz = point.expect ?? net.volts;
    // What turns reports its speed; an oscillator runs at its own or not at all.
    const turning = net.signal === 'motion' ? state.ratio : 1;
    return number(
      'linear',
      settled(state.ratio >= deadRatio ? hertz * turning : 0, hertz * (turning < 1 ? 0.08 : 0.01)),
    );
  }
  return expectVolts(net, point, state, behaviour.context.lamp);
}

/** Share of a rail that its ripple makes up, on a good rail and on one whose capacitor is spent. */
const ripple = { good: 0.006, bad: 0.09 };

function expectRipple(net: Net, state: NetState): Expectation {
  const size = Math.abs(net.volts) * (state.ratio < deadRatio ? 0 : 1);
  const share = state.rippled ? ripple.bad : ripple.good;
  return number('linear', settled(share * size, 0.3 * share * size + 0.001 * Math.abs(net.volts)));
}

/** Spread of a meter on a dead net: pick-up and leakage. */
function deadSigma(net: Net, point: Point): number {
  return 0.012 * Math.abs(point.expect ?? net.volts) + 0.02;
}

function expectVolts(net: Net, point: Point, state: NetState, lamp: boolean): Expectation {
  const nominal = point.expect ?? net.volts;
  const size = Math.abs(nominal);
  const good = toleranceWidth(point.tolerance ?? net.tolerance, nominal) / 2.5 + 0.004 * size;
  if (state.brief) {
    return number(
      'linear',
      { chance: caught, value: nominal * state.peak, sigma: 0.12 * size, shape: 'brief' },
      settled(0, deadSigma(net, point), 1 - caught),
    );
  }
  if (state.ratio < deadRatio) return number('linear', settled(nominal * state.ratio, deadSigma(net, point)));
  if (lamp) return number('linear', settled(nominal * state.ratio * underLamp.share, underLamp.sigma * size));
  const healthy = Math.abs(state.ratio - 1) * size <= toleranceWidth(point.tolerance ?? net.tolerance, nominal);
  // A faulty rail lands near its ratio, not on it; the further off, the less certain.
  const off = Math.min(0.12, 0.3 * Math.abs(state.ratio - 1) + 0.01) * size;
  return number('linear', settled(nominal * state.ratio, healthy ? good : Math.max(good, off)));
}

/** Cold resistance of a rail to its ground: a fixed load, or next to nothing where something joined to it is shorted. */
function expectRailOhms(behaviour: Behaviour, point: Point, net: number): Expectation {
  const { model } = behaviour;
  const id = point.net!;
  const shorted = behaviour.faults.some(
    (fault) =>
      fault.shorts.includes(id) &&
      joined(model, net, point.board, model.sheet.parts.get(fault.part)?.board, behaviour.open),
  );
  return number('log', shorted ? settled(0.7, 0.3) : settled(point.expect ?? 1e4, 0.12));
}
