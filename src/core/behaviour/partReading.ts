import { esrLimit, visibility } from '../parts';
import { type Fault, type Part, type Point } from '../sheet';
import { type Check } from './checks';
import { choice, type Expectation, number, settled } from './expectation';
import { type Behaviour } from './simulate';

/** Answer of a look that finds nothing. */
export const nothingSeen = 'fine';
/** Chance of marking a good part as bad by looks. */
const falseAlarm = 0.03;

/** What a part measured by itself gives, good or with the fault it has. */
export function expectPart(behaviour: Behaviour, check: Check, point: Point): Expectation {
  const faults = behaviour.faults.filter((fault) => point.parts.includes(fault.part));
  switch (check.measure) {
    case 'look':
      return expectLook(behaviour, point, faults);
    case 'press':
      return expectPress(point, faults);
    case 'swap':
      return faults.length > 0 ? choice(['cured', 0.98], ['same', 0.02]) : choice(['cured', 0.01], ['same', 0.99]);
    default: {
      const part = behaviour.model.sheet.parts.get(point.parts[0]!)!;
      return measured(check, point, part, faults[0]);
    }
  }
}

function measured(check: Check, point: Point, part: Part, fault: Fault | undefined): Expectation {
  switch (check.measure) {
    case 'esr':
      return expectEsr(part, fault);
    case 'diode':
      return expectDrop(part, fault);
    case 'rings':
      return number('linear', settled(fault?.mode === 'short' ? 2 : (point.expect ?? 12), 1.2));
    default:
      return expectOhms(point, part, fault);
  }
}

/** The most ESR that passes for a part, from its value. */
export function esrLimitOf(part: Part): number {
  return esrLimit(part.size ?? 100e-6, part.voltage ?? 35);
}

function expectEsr(part: Part, fault: Fault | undefined): Expectation {
  const limit = esrLimitOf(part);
  if (fault?.mode === 'dry') return number('log', settled(limit * 8, 0.22));
  if (fault?.mode === 'open') return number('log', settled(Infinity, 0.2));
  if (fault?.mode === 'short') return number('log', settled(0.02, 0.2));
  return number('log', settled(limit * 0.45, 0.14));
}

/** Silicon junction drops; a chip is read through its clamp diodes. */
function expectDrop(part: Part, fault: Fault | undefined): Expectation {
  const good = part.kind === 'bridge' || part.kind === 'diode' ? 0.55 : 0.5;
  if (fault?.mode === 'short') return number('linear', settled(0.01, 0.02));
  if (fault?.mode === 'open') return number('linear', settled(Infinity, 0.05));
  if (fault?.mode === 'leaky') return number('linear', settled(0.22, 0.06));
  return number('linear', settled(good, 0.04));
}

/** Ohms of a capacitor that neither leaks nor is shorted, once it has charged. */
const chargedOhms = 4e6;

function goodOhms(point: Point, part: Part): number {
  if (point.expect !== undefined) return point.expect;
  if (part.kind === 'ceramic' || part.kind === 'film' || part.kind === 'electrolytic') return chargedOhms;
  return part.size ?? 0.1;
}

/**
 * Resistance in circuit. Paths in parallel can only lower it, so a good part has a tail towards
 * low readings and none towards high ones.
 */
function expectOhms(point: Point, part: Part, fault: Fault | undefined): Expectation {
  const good = goodOhms(point, part);
  const mode = fault?.mode;
  if (mode === 'open' || mode === 'cracked' || mode === 'worn' || mode === 'missing')
    return number('log', settled(Infinity, 0.3));
  if (mode === 'short') return number('log', settled(0.4, 0.3));
  if (mode === 'leaky') return number('log', settled(Math.min(good, 2000), 0.5));
  if (mode === 'drifted') return number('log', settled(good * 2.2, 0.12));
  if (good >= chargedOhms) return number('log', settled(good, 0.6));
  if (good < 20) return number('log', settled(good, 0.06));
  return number('log', settled(good, 0.012, 0.9), settled(good * 0.6, 0.16, 0.1));
}

function expectLook(behaviour: Behaviour, point: Point, faults: readonly Fault[]): Expectation {
  const fault = faults[0];
  const seen = fault ? visibility(behaviour.model.sheet.parts.get(fault.part)!.kind, fault.mode) * (1 - point.miss) : 0;
  const others = falseAlarm / point.parts.length;
  const chances = point.parts.map((id): [string, number] => [id, id === fault?.part ? seen : (1 - seen) * others]);
  const left = 1 - chances.reduce((sum, [, chance]) => sum + chance, 0);
  return choice([nothingSeen, left], ...chances);
}

/** Joints, latches and cracks answer to a touch. */
function expectPress(point: Point, faults: readonly Fault[]): Expectation {
  const loose = faults.some(
    (fault) =>
      fault.mode === 'joint' ||
      fault.mode === 'loose' ||
      fault.mode === 'cracked' ||
      fault.mode === 'dirty' ||
      fault.appears === 'sometimes',
  );
  return loose
    ? choice(['answers', 1 - point.miss], ['nothing', point.miss])
    : choice(['answers', 0.02], ['nothing', 0.98]);
}
