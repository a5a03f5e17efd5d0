import { certain, findCrossings, glassCorners, photographed, usualBadness } from '@/core/crosshatch';
import { planesOf } from '@/core/plane';
import { attempt, Refusal } from '@/core/quantity';
import {
  adviseRails,
  adviseShape,
  type Bar,
  bars,
  burnInOf,
  drawGreyTube,
  drawMisadjusted,
  drawTrimmers,
  drawTube,
  fieldCorners,
  greyByEye,
  greyByMeter,
  type GreyControl,
  type GreyStep,
  type GreyTouch,
  type GreyTube,
  judgeGuns,
  lookOf,
  photographedField,
  shapeOf,
  type ShapeTouch,
  tintOf,
  type Touch,
  wornBelow,
} from '@/core/setup';
import { mean, quantile, seeded } from '@/core/statistics';

const sets = 500;
/** So many touches, and a set counts as not done. */
const most = 40;

/** Touches a trimmer until all rails are within their tolerances. */
function byAdvice(seed: number, count: number) {
  const set = drawTrimmers(count, seeded(seed));
  const touches: Touch[] = [];
  while (touches.length < most) {
    const { done, next } = adviseRails(set.rails(), touches);
    if (done || !next) break;
    touches.push(set.turnTo(next.control, next.aim));
  }
  return { each: touches.length / count, done: adviseRails(set.rails(), touches).done, worst: set.worst() };
}

/** The peer: each that is out, turned in order until it is right, over and over. */
function inTurn(seed: number, count: number) {
  const set = drawTrimmers(count, seeded(seed));
  let touches = 0;
  for (let moved = true; moved && touches < most;) {
    moved = false;
    for (const { id } of set.rails()) {
      const { control, reads, target, within } = set.rails().find((rail) => rail.id === id)!;
      if (Math.abs(reads - target) <= within) continue;
      set.turnTo(control, target);
      touches += 1;
      moved = true;
    }
  }
  const done = set.rails().every(({ reads, target, within }) => Math.abs(reads - target) <= within);
  return { each: touches / count, done, worst: set.worst() };
}

function rails(): void {
  console.log(`\nRails, ${sets} simulated sets with 3 to 6 coupled trimmers`);
  for (const [name, way] of [
    ['by advice', byAdvice],
    ['each in turn', inTurn],
  ] as const) {
    const found = Array.from({ length: sets }, (_, seed) => way(seed + 1, 3 + (seed % 4)));
    const each = found.map((one) => one.each);
    console.log(
      `  ${name.padEnd(13)} ${mean(each).toFixed(2)} touches a trimmer (${quantile(each, 0.95).toFixed(2)} p95), ${found.filter(({ done }) => done).length} sets done, ${found.filter(({ worst }) => worst > 1).length} past a limit`,
    );
  }
}

/** How far a shape may stay off what the tube allows, in percent of the width. */
const nearEnough = 0.3;
const shapes = 60;

/** Turns until the picture is as good as the tube allows, by advice or each control in turn until its own error is gone. */
function shapeTurns(seed: number, advised: boolean) {
  const set = drawMisadjusted(seeded(seed));
  const best = set.best();
  const touches: ShapeTouch[] = [];
  for (let at = 0; touches.length < most; at += 1) {
    const before = shapeOf(set.seen(), set.wanted);
    if (before.off <= best + nearEnough) return { turns: touches.length, done: true };
    const next = advised
      ? adviseShape(before, set.controls, touches).next
      : { ...set.controls[at % set.controls.length]!, aim: 0 };
    if (!next || at > 10 * most) break;
    if (!advised && Math.abs(before.terms.get(next.term)!.percent) < nearEnough / 2) continue;
    set.turnTo(next.control, next.aim);
    touches.push({ control: next.control, before, after: shapeOf(set.seen(), set.wanted), end: false });
  }
  return { turns: touches.length, done: false };
}

function shape(): void {
  console.log(
    `\nShape, ${shapes} misadjusted tubes with eleven controls, to what the tube allows and ${nearEnough} % of the width`,
  );
  for (const advised of [true, false]) {
    const found = Array.from({ length: shapes }, (_, seed) => shapeTurns(seed + 1, advised));
    const turns = found.map((one) => one.turns);
    console.log(
      `  ${(advised ? 'by advice' : 'each in turn').padEnd(13)} ${mean(turns).toFixed(1)} turns (${quantile(turns, 0.95).toFixed(0)} p95), ${found.filter(({ done }) => done).length} done`,
    );
  }
}

const tubes = 40;
const difference = (tube: GreyTube) => Math.max(...bars.map((bar) => tintOf(tube.light(bar)).size));
const reading = (tube: GreyTube) => ({ dark: tube.read('dark'), bright: tube.read('bright') });

/** Turns a control, watching the meter, until a ratio of two lights is as wanted. */
function greyTurn(tube: GreyTube, control: GreyControl, bar: Bar, colour: 'red' | 'blue', aim: number): void {
  let [low, high, at] = [-6, 6, 0];
  for (let step = 0; step < 40; step += 1) {
    const middle = (low + high) / 2;
    tube.turn(control, middle - at);
    at = middle;
    if (tube.light(bar)[colour] / tube.light(bar).green < aim) low = middle;
    else high = middle;
  }
}

function greyAdvised(seed: number) {
  const tube = drawGreyTube(seeded(seed));
  const touches: GreyTouch[] = [];
  while (touches.length < most) {
    const before = reading(tube);
    const { next } = greyByMeter(before, touches);
    if (!next) break;
    const [bar, colour] = next.rail.split(' ') as [Bar, 'red' | 'blue'];
    greyTurn(tube, next.control as GreyControl, bar, colour, next.aim);
    touches.push({ control: next.control as GreyControl, turn: undefined, before, after: reading(tube) });
  }
  return { turns: touches.length, off: difference(tube) };
}

/** The peer: cut-offs until the dark bar is grey, drives until the bright one is, over and over. */
function greyInTurn(seed: number) {
  const tube = drawGreyTube(seeded(seed));
  let turns = 0;
  while (difference(tube) >= 1 && turns < most)
    for (const bar of bars)
      for (const colour of ['red', 'blue'] as const) {
        if (Math.abs(tintOf(tube.light(bar))[colour]) < 0.5) continue;
        greyTurn(tube, `${colour} ${bar === 'dark' ? 'cut-off' : 'drive'}`, bar, colour, 1);
        turns += 1;
      }
  return { turns, off: difference(tube) };
}

function greySeen(seed: number) {
  const tube = drawGreyTube(seeded(seed));
  const eye = seeded(seed + 1000);
  const steps: GreyStep[] = [];
  let turns = 0;
  while (turns < most) {
    const { done, look, next } = greyByEye(steps);
    if (done) break;
    if (look) {
      const { red, blue } = tintOf(tube.light(look));
      steps.push({ bar: look, looks: lookOf([red, blue], eye) });
    } else {
      tube.turn(next!.control, next!.turn);
      steps.push(next!);
      turns += 1;
    }
  }
  return { turns, off: difference(tube) };
}

/** Cut and try by eye: the bar that looks tinted, the control of its tint, a quarter turn, half as much after each change of side. */
function greyCutAndTry(seed: number) {
  const tube = drawGreyTube(seeded(seed));
  const eye = seeded(seed + 1000);
  const size = new Map<GreyControl, number>();
  let turns = 0;
  for (let calm = 0; calm < 2 && turns < most;) {
    calm += 1;
    for (const bar of bars)
      for (const colour of ['red', 'blue'] as const) {
        const { red, blue } = tintOf(tube.light(bar));
        const looks = lookOf([red, blue], eye);
        const much = looks === (colour === 'red' ? 'reddish' : 'bluish') || looks === 'purplish';
        const little = looks === 'greenish' || looks === (colour === 'red' ? 'blue-green' : 'yellowish');
        if (!much && !little) continue;
        const control = `${colour} ${bar === 'dark' ? 'cut-off' : 'drive'}` as const;
        const before = size.get(control) ?? 0.25;
        const by = Math.sign(before) === (much ? -1 : 1) ? before : (-before / 2) * (size.has(control) ? 1 : 2);
        size.set(control, by);
        tube.turn(control, by);
        turns += 1;
        calm = 0;
      }
  }
  return { turns, off: difference(tube) };
}

function grey(): void {
  console.log(
    `\nGrey scale, ${tubes} tubes with random cut-offs and drives, to a just noticeable difference at both ends`,
  );
  for (const [name, way] of [
    ['by meter', greyAdvised],
    ['in turn', greyInTurn],
    ['by eye', greySeen],
    ['cut and try', greyCutAndTry],
  ] as const) {
    const found = Array.from({ length: tubes }, (_, seed) => way(seed + 1));
    const turns = found.map((one) => one.turns);
    const off = found.map((one) => one.off);
    console.log(
      `  ${name.padEnd(13)} ${mean(turns).toFixed(1)} turns (${quantile(turns, 0.95).toFixed(0)} p95), off by ${quantile(off, 0.5).toFixed(2)} (${quantile(off, 0.95).toFixed(2)} p95) differences`,
    );
  }
}

function guns(): void {
  let [all, worn, claimed, right, found, inside] = [0, 0, 0, 0, 0, 0];
  for (let seed = 1; seed <= sets; seed += 1) {
    const drawn = drawTube(seeded(seed));
    for (const [gun, judged] of judgeGuns(drawn.tube, { good: drawn.good })) {
      const truth = drawn.shares.get(gun)!;
      const isWorn = truth < wornBelow;
      all += 1;
      worn += Number(isWorn);
      claimed += Number(judged.worn >= 0.9);
      right += Number(judged.worn >= 0.9 && isWorn);
      found += Number(judged.worn >= 0.5 && isWorn);
      inside += Number(truth >= judged.share.low && truth <= judged.share.high);
    }
  }
  console.log(`\nGuns of ${sets} simulated tubes, by emission, cut-off, a tenth less heater and warm-up
  ${worn} of ${all} worn: ${found} found, ${claimed} called so at 90 % or more, ${right} of these rightly; ${((100 * inside) / all).toFixed(1)} % of the shares lie within what is said to hold 90 %`);
}

/** Fields that are photographed, clean and burnt. */
const fields = 40;

function burns(): void {
  const read = (seed: number, burnt: boolean) => {
    const random = seeded(seed);
    const [left, top] = [0.05 + 0.6 * random(), 0.05 + 0.6 * random()];
    const burn = {
      left,
      right: left + 0.06 + 0.28 * random(),
      top,
      bottom: top + 0.05 + 0.25 * random(),
      loss: 0.03 + 0.3 * random(),
    };
    const planes = planesOf(photographedField(burnt ? [burn] : [], 560, random).raster);
    return { burn, zones: burnInOf(planes, fieldCorners(planes)).zones };
  };
  const clean = Array.from({ length: fields }, (_, i) => read(i + 1, false).zones.length);
  const burnt = Array.from({ length: fields }, (_, i) => read(i + 1, true));
  const seen = burnt.filter(({ zones }) => zones.length === 1);
  const off = seen.map(({ burn, zones }) => Math.abs(zones[0]!.loss.all - burn.loss));
  console.log(`\nBurn-in on ${fields} photographed fields with a burn of 3 to 33 % and ${fields} without
  ${seen.length} seen alone and where they are, ${clean.filter((count) => count > 0).length} seen where there is none; loss off by ${(100 * quantile(off, 0.5)).toFixed(2)} points median, ${(100 * quantile(off, 0.95)).toFixed(2)} p95`);
}

const given = process.argv.indexOf('--pictures');
const pictures = given < 0 ? 300 : Number(process.argv[given + 1]);
const lines = { across: 15, down: 11 };
/** Width of the tube that convergence is given for, in millimetres, and an error of place that is wrong, as a share of the width. */
const screen = { millimetres: 400, wrong: 0.005 };

function photographs(): void {
  const places: number[] = [];
  const vectors: number[] = [];
  const times: number[] = [];
  let [all, found, wrongSure, refused] = [0, 0, 0, 0];
  for (let seed = 1; seed <= pictures; seed += 1) {
    const shot = photographed(lines, 1200, seeded(seed));
    all += shot.crossings.length;
    const started = performance.now();
    const read = attempt(() => findCrossings(shot.picture, lines));
    times.push(performance.now() - started);
    if (read instanceof Refusal) {
      refused += 1;
      continue;
    }
    read.forEach(({ x, y, certainty, red, blue }, i) => {
      if (certainty < certain) return;
      const miss = Math.hypot(x - shot.crossings[i]!.x, y - shot.crossings[i]!.y) / shot.wide;
      if (miss > screen.wrong) wrongSure += 1;
      else found += 1;
      places.push(miss);
      for (const [own, true_] of [
        [red, shot.red[i]!],
        [blue, shot.blue[i]!],
      ] as const)
        if (own) vectors.push((Math.hypot(own.x - true_.x, own.y - true_.y) / shot.wide) * screen.millimetres);
    });
  }
  const glass = corners(Math.ceil(pictures / 5));
  const large = photographed(lines, 4000, seeded(1));
  const largeTimes = [1, 2, 3].map(() => {
    const started = performance.now();
    findCrossings(large.picture, lines);
    return performance.now() - started;
  });
  console.log(`
  Photographs, ${pictures} drawn: askew to 25°, curved glass, a lens, uneven light, moiré, scan lines, bloom, noise, colours apart
    crossings found  ${((100 * found) / all).toFixed(2)} %, ${refused} pictures refused, ${wrongSure} wrong ones called certain
    place            ${(100 * quantile(places, 0.5)).toFixed(4)} % of the width median, ${(100 * quantile(places, 0.95)).toFixed(4)} % p95
    colours          ${quantile(vectors, 0.5).toFixed(3)} mm median, ${quantile(vectors, 0.95).toFixed(3)} mm p95 on a screen ${screen.millimetres} mm wide
    corners          found in ${glass.found} of ${glass.of} whose pattern lies inside the glass, ${glass.misses.length === 0 ? '' : `${(100 * quantile(glass.misses, 0.5)).toFixed(2)} % of the width median, ${(100 * Math.max(...glass.misses)).toFixed(2)} % at worst`}
    time             ${quantile(times, 0.5).toFixed(0)} ms median for 1.1 million points; ${quantile(largeTimes, 0.5).toFixed(0)} ms for 12 million, ${(process.memoryUsage.rss() / 1e6).toFixed(0)} MB`);
}

/** Corners of the glass, in pictures whose pattern is no larger than it; in the others nothing is there to be found. */
function corners(of: number) {
  const misses: number[] = [];
  for (let seed = 1; seed <= of; seed += 1) {
    const shot = photographed(lines, 1200, seeded(seed), { ...usualBadness, shape: 0.015, fill: 0.93 });
    const read = attempt(() => findCrossings(shot.picture, lines));
    const found = read instanceof Refusal ? undefined : glassCorners(shot.picture, read, lines);
    const miss = found?.map(({ x, y }, i) => Math.hypot(x - shot.corners[i]!.x, y - shot.corners[i]!.y) / shot.wide);
    if (miss) misses.push(Math.max(...miss));
  }
  return { of, found: misses.length, misses };
}

const parts = { rails, shape, grey, guns, burns, photographs };
const named = process.argv.slice(2).filter((word) => word in parts);
for (const [name, run] of Object.entries(parts)) if (named.length === 0 || named.includes(name)) run();
