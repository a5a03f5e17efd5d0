import { type Answer, deadRatio, type Expectation, mainValue, measures } from '../../measure';
import { type Behaviour, type Check, compileSheet, type Context, Predictions, predictionsOf } from '../../behaviour';
import { type Complaint } from '../../diagnosis';
import { faultRate, type FaultMode } from '../../parts';
import { toleranceWidth } from '../../quantity';
import { type Fault, needOrder, type Net, type Sheet } from '../../sheet';
import { drawn, gaussian, type Random } from '../../statistics';
import { answerFrom, misread } from '../answering';
import { complaintOf } from '../hunt';
import { type World } from './world';

/** A set on the bench as it really is, and the sheet its restorer has. */
export interface SimulatedSet {
  /** What is wrong with it, the cause first. */
  readonly faults: readonly Fault[];
  /** The sheet the advice is given from. */
  readonly sheet: Sheet;
  readonly complaint: Complaint;
  /** What a check gives, without the noise of a reading, with `mended` faults put right. */
  expectation(check: Check, context: Context, mended: ReadonlySet<string>): Expectation;
  /** What it does as it stands, with `mended` faults put right. */
  behaviour(context: Context, mended: ReadonlySet<string>): Behaviour;
  /** What an instrument, an eye or an ear reports, with `mended` faults put right. */
  answer(check: Check, context: Context, mended: ReadonlySet<string>): Answer;
  /** The set was switched on or off: what comes and goes may be there now, or not. */
  turn(): void;
}

/** Relative spread of every number read. */
const noise = 0.01;
/** How far a guessed value is off, as the standard deviation of its logarithm: half its own tolerance, and this at least. */
const leastSpread = 0.06;
/** Chance that what comes and goes is there in an episode. */
const showsInEpisode = 0.6;

/** A sheet without one of its faults. */
export function without(sheet: Sheet, fault: string): Sheet {
  return {
    ...sheet,
    faults: new Map(
      [...sheet.faults]
        .filter(([id]) => id !== fault)
        .map(([id, one]) => [
          id,
          one.harms.includes(fault) ? { ...one, harms: one.harms.filter((harmed) => harmed !== fault) } : one,
        ]),
    ),
  };
}

/** Draws a set of a sheet with a fault, as it would stand on the bench in a world. */
export function simulatedSet(sheet: Sheet, fault: Fault, world: World, random: Random): SimulatedSet {
  const first = world.many ? severalWith(sheet, fault, random) : [fault];
  const culprits = world.meddled ? meddledWith(sheet, first, random) : first;
  const degreed = world.degrees ? culprits.map((one) => byDegrees(one, random)) : culprits;
  const faults = world.intermittent ? degreed.map(comingAndGoing) : degreed;
  // Faults that are altered keep their names, so that what is worked out of them is kept apart.
  const altered = (world.degrees ?? world.intermittent ?? world.offset) === true;
  const real = altered
    ? new Predictions(compileSheet(world.offset ? offset(sheet, random) : sheet))
    : predictionsOf(sheet);
  const drift = new Map(faults.map(({ id }) => [id, 0.1 + 0.5 * random()]));
  let active = true;
  const left = (mended: ReadonlySet<string>) => faults.filter(({ id }) => !mended.has(id));
  const showing = (mended: ReadonlySet<string>) =>
    active ? left(mended) : left(mended).filter(({ appears }) => appears !== 'sometimes');
  const expected = (check: Check, context: Context, mended: ReadonlySet<string>): Expectation => {
    const findable = 'findsIntermittents' in measures[check.measure];
    const here = findable ? left(mended) : showing(mended);
    const found = real.expectationOf(here, check, context);
    const own = here.find(({ part }) => check.point?.parts.includes(part));
    if (!world.degrees || own?.mode !== 'drifted' || found.kind !== 'number') return found;
    const good = mainValue(real.expectation(undefined, check, context));
    const share = drift.get(own.id)!;
    const off = mainValue(found) < good ? 1 - share : 1 + share;
    return { ...found, components: [{ ...found.components[0]!, chance: 1, value: good * off }] };
  };
  return {
    faults,
    sheet: world.unlisted ? without(sheet, fault.id) : sheet,
    complaint: complaintOf(real, ...faults),
    turn: () => {
      active = random() < showsInEpisode;
    },
    expectation: expected,
    behaviour: (context, mended) => real.jointly(showing(mended), context),
    answer: (check, context, mended) => {
      const expectation = expected(check, context, mended);
      const answer = unsigned(check, answerFrom(expectation, noise, random));
      return random() < world.slips ? misread(answer, expectation, random) : answer;
    },
  };
}

/** Only direct volts have a sign. */
const unsigned = ({ measure }: Check, answer: Answer): Answer =>
  answer.kind === 'number' && measure !== 'dc' ? { ...answer, value: Math.abs(answer.value) } : answer;

const comingAndGoing = (fault: Fault): Fault =>
  fault.appears === 'always' ? { ...fault, appears: 'sometimes' } : fault;

/** A fault whose rails do not go all the way: at a part of their volts, afloat, or a little reversed. */
function byDegrees(fault: Fault, random: Random): Fault {
  const sets = new Map(
    [...fault.sets].map(([net, ratio]): [string, number] => {
      if (ratio >= deadRatio) return [net, ratio * Math.exp(0.1 * gaussian(random))];
      const how = random();
      if (how < 0.4) return [net, ratio];
      if (how < 0.7) return [net, 0.05 + 0.55 * random()];
      return [net, how < 0.85 ? 0.1 * random() : -0.15 * random()];
    }),
  );
  return { ...fault, sets };
}

/** The fault with what it brought about, or with others of its kind and age; two to five in all. */
function severalWith(sheet: Sheet, fault: Fault, random: Random): readonly Fault[] {
  const casualties = fault.harms.flatMap((id) => sheet.faults.get(id) ?? []);
  if (casualties.length > 0) return [fault, casualties[Math.floor(random() * casualties.length)]!];
  const { kind } = sheet.parts.get(fault.part)!;
  const alike = [...sheet.faults.values()].filter(
    (other) => other.part !== fault.part && other.mode === fault.mode && sheet.parts.get(other.part)!.kind === kind,
  );
  const wanted = Math.min(alike.length, 1 + Math.floor(4 * random() ** 2));
  const found = [fault];
  while (found.length <= wanted) {
    const left = alike.filter((one) => !found.includes(one));
    found.push(drawn(left, (one) => one.weight * faultRate(sheet.parts.get(one.part)!, one.mode), random));
  }
  if (found.length > 1) return found;
  const others = [...sheet.faults.values()].filter(({ part }) => part !== fault.part);
  return [fault, drawn(others, (one) => one.weight * faultRate(sheet.parts.get(one.part)!, one.mode), random)];
}

/** What an earlier hand leaves behind. */
const meddling: ReadonlySet<FaultMode> = new Set(['misset', 'loose', 'missing']);

/** The faults with something beside them that an earlier hand turned, left loose or left out, of that sheet’s own. */
function meddledWith(sheet: Sheet, faults: readonly Fault[], random: Random): readonly Fault[] {
  const others = [...sheet.faults.values()].filter(
    ({ part, mode }) => meddling.has(mode) && faults.every((fault) => fault.part !== part),
  );
  return others.length > 0 ? [...faults, drawn(others, ({ weight }) => weight, random)] : faults;
}

const spreadOf = ({ tolerance, volts }: Net): number =>
  Math.max(leastSpread, toleranceWidth(tolerance, volts) / Math.abs(volts) / 2);

/** The sheet as this set really is: what was guessed is off, siblings alike. */
function offset(sheet: Sheet, random: Random): Sheet {
  const factors = new Map<string, number>();
  for (const { columns, rows } of sheet.siblings)
    for (const { points } of rows) {
      if (points.length !== columns.length) continue;
      const shared = gaussian(random);
      for (const point of points) {
        const net = sheet.nets.get(sheet.points.get(point)?.net ?? '');
        if (net) factors.set(net.id, Math.exp(spreadOf(net) * shared));
      }
    }
  const factorOf = (net: Net) => {
    if (net.source !== 'guess') return 1;
    let factor = factors.get(net.id);
    if (factor === undefined) {
      factors.set(net.id, (factor = Math.exp(spreadOf(net) * gaussian(random))));
    }
    return factor;
  };
  const mains = sheet.nets.get('mains');
  if (mains) factors.set('mains', (mains.volts < 180 ? 100 + 27 * random() : 220 + 20 * random()) / mains.volts);
  // What is made of the mains without being regulated follows it.
  for (const { needs, makes, regulates, side } of needOrder(sheet)) {
    const factor = factors.get(needs[0] ?? '');
    if (factor !== undefined && side === 'hot' && !regulates) for (const net of makes) factors.set(net, factor);
  }
  return {
    ...sheet,
    nets: new Map([...sheet.nets].map(([id, net]) => [id, { ...net, volts: net.volts * factorOf(net) }])),
    points: new Map(
      [...sheet.points].map(([id, point]) => {
        const net = point.net === undefined ? undefined : sheet.nets.get(point.net);
        if (!net || point.expect === undefined || measures[point.measure].kind !== 'number') return [id, point];
        return [id, point.measure === 'dc' ? { ...point, expect: point.expect * factorOf(net) } : point];
      }),
    ),
  };
}
