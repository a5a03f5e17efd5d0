import { type Moves, type Stage } from '../circuit';
import { attempt, Refusal } from '../quantity';
import { gainName, isLoad, partNamed, type TracedCircuit } from './netlist';

/**
 * Standard deviations of logarithms: of a value from the role of its part, of a usual one, of the gain of transistors, of
 * where a wiper stands, and of what a rail feeds.
 */
const spread = { role: 0.35, usual: 1.5, gain: 0.6, wiper: 0.5, load: 0.7 };

/** Nine of ten lie within so many standard deviations. */
export const nineOfTen = 1.645;

/** What of a traced circuit nobody read, and by how much each of it moves the nodes, a standard deviation in volts. */
export function movesOf(stage: Stage, { guesses }: TracedCircuit): readonly Moves[] {
  const names = stage.circuit.elements.map(({ name }) => name);
  const values = guesses.flatMap(({ ref, from }) => {
    const own = names.filter((name) => partNamed(name) === ref);
    return own.length > 0 ? [new Map(own.map((name) => [name, from === undefined ? spread.usual : spread.role]))] : [];
  });
  const wipers = names.flatMap((name) =>
    name.endsWith('_1')
      ? [new Map([[name, spread.wiper] as const, [name.replace(/1$/, '2'), -spread.wiper] as const])]
      : [],
  );
  const loads = names.filter(isLoad).map((name) => new Map([[name, spread.load]]));
  const turned = [...values, ...wipers, ...loads].map((logs) => moved(stage, logs, new Map()));
  const gain = stage.circuit.parameters.get(gainName);
  return gain === undefined
    ? turned
    : [...turned, moved(stage, new Map(), new Map([[gainName, { value: gain, log: spread.gain }]]))];
}

/** Half of what lies between a standard deviation more and one less. */
function moved(
  stage: Stage,
  logs: ReadonlyMap<string, number>,
  parameters: ReadonlyMap<string, { readonly value: number; readonly log: number }>,
): Moves {
  const [more, less] = [1, -1].map((way) =>
    attempt(() =>
      stage.voltsWith({
        factors: new Map([...logs].map(([name, log]) => [name, Math.exp(way * log)])),
        parameters: new Map([...parameters].map(([name, { value, log }]) => [name, value * Math.exp(way * log)])),
      }),
    ),
  ) as [ReadonlyMap<string, number> | Refusal, ReadonlyMap<string, number> | Refusal];
  // What does not settle so says nothing.
  if (more instanceof Refusal || less instanceof Refusal) return new Map();
  return new Map([...more].map(([node, volts]) => [node, (volts - less.get(node)!) / 2]));
}
