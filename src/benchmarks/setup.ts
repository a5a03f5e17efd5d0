import { adviseRails, drawTrimmers, type Touch } from '@/core/setup';
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
