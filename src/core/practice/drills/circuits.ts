import { faultWords, type Stage } from '../../circuit';
import { formatQuantity } from '../../quantity';
import { type Random } from '../../statistics';
import { type Drill, drillOf, oneOf } from './drill';

/** A stage with its faults solved, ready to be asked about. */
export interface SolvedStage {
  readonly title: string;
  readonly stage: Stage;
}

const voltsText = (volts: number) => formatQuantity(Math.abs(volts) < 0.005 ? 0 : volts, 'V', 3);

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
    const drill = drillOf(
      {
        skill: 'circuits',
        ask: `${title}: ${node} stands at ${voltsText(now)}. What would it read with ${words}?`,
        why: `With ${words} the node settles at ${voltsText(then)}.`,
        difficulty: 0.8 + 0.05 * stage.nodes.length,
      },
      voltsText(then),
      wrong.map(voltsText),
      random,
    );
    if (drill) return drill;
  }
  return undefined;
}
