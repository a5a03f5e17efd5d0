// Tracing boards made from the shipped stages: beeps against pin by pin, what is found, what it is called.
import { readNetlist } from '@/core/circuit';
import { distanceOf, type Point, roundSpotNear } from '@/core/plane';
import { gaussian, quantile, seeded, sumOf } from '@/core/statistics';
import {
  type Alignment,
  alignmentOf,
  netOf,
  nextBeep,
  PatternLibrary,
  patternOf,
  stageKindOf,
  photographedBoard,
  sameHoles,
  traceBoard,
  traceInOrder,
  variantOf,
} from '@/core/tracing';
import { shippedStages } from '@/sheets/stages';
import { printTracedVolts } from './tracedVolts';

const patterns = shippedStages().map(({ id, text }) => patternOf(id, readNetlist(text)));
const library = new PatternLibrary(patterns);
const seeds = [0, 1, 2];

console.log('\nTracing: beeps with 2 % misheard, against every pin on every node found, and on the largest first');
const rows = patterns.map((pattern) => {
  const runs = seeds.map((seed) => traceBoard(pattern, library, { wrong: 0.02, random: seeded(seed) }));
  const inOrder = (order: 'as found' | 'largest first') =>
    traceInOrder(pattern, order, { wrong: 0, random: seeded(0) }).beeps;
  const [found, largest] = [inOrder('as found'), inOrder('largest first')];
  const beeps = sumOf(runs, (run) => run.beeps) / runs.length;
  const whole = runs.filter((run) => run.whole).length;
  const joins = sumOf(pattern.nodes, (spots) => spots.length - 1);
  const early = runs.filter(({ namedAt }) => namedAt !== undefined && namedAt <= 0.35 * joins).length;
  console.log(
    `  ${pattern.id.padEnd(22)} ${beeps.toFixed(0).padStart(5)} of ${String(found).padStart(5)} and ${String(largest).padStart(5)}  whole ${whole} of ${runs.length}, named early ${early} of ${runs.length}`,
  );
  return { beeps, found, largest, whole, early };
});
const share = (of: 'found' | 'largest') => sumOf(rows, ({ beeps }) => beeps) / sumOf(rows, (row) => row[of]);
const percent = (part: number) => `${(100 * part).toFixed(1)} %`;
const all = patterns.length * seeds.length;
console.log(
  `  all: ${percent(share('found'))} of the beeps of every node, ${percent(share('largest'))} of the largest first; whole ${percent(sumOf(rows, ({ whole }) => whole) / all)}, named early ${percent(sumOf(rows, ({ early }) => early) / all)}`,
);

// Nobody builds a stage quite as another does.
const variants = patterns.flatMap((pattern) =>
  seeds.map((seed) => {
    const board = variantOf(pattern, seeded(100 + seed));
    const { beeps, whole, missing, namedAt } = traceBoard(board, library, { wrong: 0.02, random: seeded(seed) });
    const largest = traceInOrder(board, 'largest first', { wrong: 0, random: seeded(0) }).beeps;
    return { beeps, whole, missing, largest, named: namedAt !== undefined };
  }),
);
console.log(
  `  as another maker builds them: ${percent(sumOf(variants, ({ beeps }) => beeps) / sumOf(variants, (one) => one.largest))} of the largest first; whole ${percent(variants.filter(({ whole }) => whole).length / all)}, named ${percent(variants.filter(({ named }) => named).length / all)}, ${(sumOf(variants, ({ missing }) => missing) / all).toFixed(2)} connections missing a board`,
);

// Each kind of stage in turn taken out of what is known: it should be called none of the others.
const unknown = patterns.filter((pattern) => {
  const others = new PatternLibrary(patterns.filter((one) => stageKindOf(one) !== stageKindOf(pattern)));
  const facts = pattern.nodes.flatMap((spots) =>
    spots.slice(1).map((b) => ({ a: spots[0]!, b, found: 'joined' as const })),
  );
  return others.believe(netOf(pattern.parts, facts))[0]!.pattern === undefined;
});
console.log(`  taken out of the library: ${unknown.length} of ${patterns.length} are called no known stage`);

printTracedVolts(shippedStages(), library);

const took: number[] = [];
const largest = [...patterns].sort((a, b) => b.parts.length - a.parts.length)[0]!;
const facts = largest.nodes.flatMap((spots) =>
  spots.slice(1, 3).map((b) => ({ a: spots[0]!, b, found: 'joined' as const })),
);
for (let turn = 0; turn < 40; turn += 1) {
  const net = netOf(largest.parts, facts.slice(0, turn));
  const start = performance.now();
  nextBeep(net, library, library.believe(net));
  took.push(performance.now() - start);
}
console.log(
  `  next beep on ${largest.parts.length} parts: ${quantile(took, 0.5).toFixed(0)} ms median, ${quantile(took, 0.95).toFixed(0)} ms p95`,
);

// The back of a board laid on its front by four clicks, each a millimetre beside its hole on a board of 25 cm.
const millimetres = 250;
const photographed = 1200;
const middle = 0.33;
const asShare = ({ x, y }: Point): Point => ({ x: x / photographed, y: y / photographed });
type Shot = ReturnType<typeof photographedBoard>;

/** How far the holes of a made-up board lie apart once its back is laid on its front, in millimetres. */
function alignedBoard(
  barrel: number,
  seed: number,
): { readonly shown: number[]; readonly found: number[]; readonly sought: number } {
  const random = seeded(seed);
  const holes = [0.05, 0.95].flatMap((x) => [0.05, 0.6].map((y) => ({ x, y })));
  while (holes.length < 70) {
    const hole = { x: 0.03 + 0.94 * random(), y: 0.03 + 0.6 * random() };
    if (holes.every((other) => distanceOf(other, hole) > 0.02)) holes.push(hole);
  }
  const pairs = Array.from({ length: 30 }, (_, index) => [holes[4 + 2 * index]!, holes[5 + 2 * index]!] as const);
  const tracks = pairs.map(([from, to]) => [from, { x: to.x, y: from.y }, to]);
  const board = { high: 0.66, holes, tracks, bodies: pairs.slice(0, 15) };
  const shoot = (side: 'front' | 'back') =>
    photographedBoard(board, side, photographed, { askew: 20, barrel, noise: 0.02 }, random);
  const [front, back] = [shoot('front'), shoot('back')];
  const scaleOf = ({ at }: Shot) => distanceOf(at({ x: 0, y: middle }), at({ x: 1, y: middle })) / millimetres;
  const clicked = (shot: Shot, hole: Point): Point => {
    const { picture, at } = shot;
    const values = Float32Array.from({ length: photographed * picture.height }, (_, i) => picture.data[4 * i]! / 255);
    const seen = at(hole);
    const scatter = scaleOf(shot);
    const click = { x: seen.x + scatter * gaussian(random), y: seen.y + scatter * gaussian(random) };
    const plane = { width: photographed, height: picture.height, values };
    return asShare(roundSpotNear(plane, click, 0.012 * photographed) ?? click);
  };
  const shown = holes.slice(0, 4).map((hole) => ({ seen: clicked(back, hole), lies: clicked(front, hole) }));
  const started = performance.now();
  const found = sameHoles(front.picture, back.picture, shown);
  const sought = performance.now() - started;
  const apartBy = ({ projection }: Alignment) =>
    holes.map(
      (hole) =>
        (photographed * distanceOf(projection.at(asShare(back.at(hole))), asShare(front.at(hole)))) / scaleOf(front),
    );
  return { shown: apartBy(alignmentOf(shown)!), found: apartBy(alignmentOf(shown, found)!), sought };
}
for (const barrel of [0, 0.01, 0.02]) {
  const boards = Array.from({ length: 12 }, (_, seed) => alignedBoard(barrel, seed));
  for (const by of ['shown', 'found'] as const) {
    const apart = boards.flatMap((board) => board[by]);
    const millimetre = (part: number) => quantile(apart, part).toFixed(2);
    console.log(
      `  back on front, lens ${100 * barrel} %, by the holes ${by}: ${millimetre(0.5)} mm median, ${millimetre(0.95)} mm p95, ${millimetre(1)} mm at most`,
    );
  }
  console.log(
    `  the holes found in ${quantile(
      boards.map(({ sought }) => sought),
      0.95,
    ).toFixed(0)} ms p95`,
  );
}
