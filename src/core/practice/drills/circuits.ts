import { faultWords, type Stage } from '../../circuit';
import { formatQuantity, type Volts } from '../../quantity';
import { type Random } from '../../statistics';
import { type Drill, drillOf, oneOf } from './drill';

/** A stage with its faults solved, ready to be asked about. */
export interface SolvedStage {
  readonly title: string;
  readonly stage: Stage;
}

const voltsText = (volts: number) => formatQuantity(Math.abs(volts) < 0.005 ? 0 : volts, 'V', 3);

/** So often the volts are to be typed, not chosen, where they are so many at least; near enough is right. */
const typed = 0.35;
const leastTyped: Volts = 1;
const nearEnough = 0.12;
/** By so much that is harder. */
const harderTyped = 0.9;

/** Farther from the part, in a larger stage, and between the rails it is harder: at a rail nothing is to be reckoned. */
function difficultyOf(
  stage: Stage,
  node: string,
  touches: boolean,
  { then, least, most }: { readonly then: Volts; readonly least: Volts; readonly most: Volts },
): number {
  const fromRail = Math.min(...[least, most, 0].map((rail) => Math.abs(then - rail))) / Math.max(1, most - least);
  return -1.6 + 0.06 * stage.nodes.length + (touches ? 0 : 0.7) + 6 * Math.min(0.25, fromRail);
}

/** What a node would read if a part were broken. */
export function ladderDrill({ title, stage }: SolvedStage, random: Random): Drill | undefined {
  const { entries, system } = stage.dictionary();
  const nodes = stage.nodes.filter((node) => node !== '0');
  // Only what moves a node well away from where it stands is worth a question.
  for (let tries = 0; tries < 40; tries += 1) {
    const { fault, point } = oneOf(entries, random);
    const node = oneOf(nodes, random);
    const now = stage.volts.get(node);
    const then = system.voltsAt(point).get(node);
    if (now === undefined || then === undefined || Math.abs(now - then) < 0.15 * Math.max(1, Math.abs(now))) continue;
    const all = [...stage.volts.values()];
    const [least, most] = [Math.min(...all), Math.max(...all)];
    const mid = (now + then) / 2;
    const wrong = [now, 2 * now - then, most, 0, least, mid].filter(
      (one) => Math.abs(one - then) > 0.1 * (most - least) && one >= least - 1 && one <= most + 1,
    );
    const words = faultWords(fault);
    const touched = stage.circuit.elements.find(({ label }) => label.toLowerCase() === fault.ref.toLowerCase());
    const told = {
      skill: 'circuits' as const,
      ask: `${title}: ${node} stands at ${voltsText(now)}. What would it read with ${words}?`,
      why: `With ${words} the node settles at ${voltsText(then)}.`,
      difficulty: difficultyOf(stage, node, touched?.nodes.some((one) => one === node) ?? false, { then, least, most }),
    };
    if (Math.abs(then) > leastTyped && random() < typed)
      return { ...told, difficulty: told.difficulty + harderTyped, value: then, unit: 'V', within: nearEnough };
    const drill = drillOf(told, voltsText(then), wrong.map(voltsText), random);
    if (drill) return drill;
  }
  return undefined;
}
