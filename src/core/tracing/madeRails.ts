import { type Ohms, type Volts } from '../quantity';
import { sumOf } from '../statistics';
import { isRail } from './part';
import { type TracedNet } from './net';
import { type Believed } from './library';

/** A stage is taken for what it is called from here on. */
const leads = 0.5;
/** A rail is made here where it hardly can be one that feeds the stage, and likely is a node of it. */
const [hardly, likely] = [0.25, 0.5];

/**
 * Rails that the traced stage makes by itself, as far as it is one that is known: there they have no source.
 *
 * @returns by rail, the ohms of what the stage feeds there in the known one; undefined where it feeds nothing there
 */
export function madeRails({ nodes }: TracedNet, [lead]: Believed): ReadonlyMap<string, Ohms | undefined> {
  if (!lead?.roles || !lead.pattern || lead.chance < leads) return new Map();
  const { roles, pattern } = lead;
  const played = new Set(roles.played().map(({ role }) => role.ref));
  const ground = pattern.nodes.find((spots) => spots.includes('gnd')) ?? [];
  const rails = nodes.filter(({ name }) => isRail(name) && name !== 'gnd').map(({ name }) => Number(name));
  return new Map(
    nodes.flatMap(({ name, spots }) => {
      if (!isRail(name) || name === 'gnd' || Math.abs(Number(name)) < leastRail || !isBelow(Number(name), rails))
        return [];
      const may = roles.nodesOf(spots.filter((spot) => !isRail(spot)));
      const [feeding, own] = [true, false].map((isFed) =>
        sumOf(may, (one) => (one.spots.some(isRail) === isFed ? one.chance : 0)),
      ) as [number, number];
      if (feeding > hardly || own < likely) return [];
      const [node] = may;
      const load = pattern.parts.find(
        ({ ref, kind, pins }) =>
          kind === 'resistor' &&
          !played.has(ref) &&
          pins.some((pin) => node!.spots.includes(`${ref}.${pin}`)) &&
          pins.some((pin) => ground.includes(`${ref}.${pin}`)),
      );
      return [[name, load?.value] as const];
    }),
  );
}

/** Nothing at rest stands above what feeds it. */
const isBelow = (volts: Volts, rails: readonly Volts[]): boolean => rails.some((one) => one / volts > 1);

/** What is less feeds a base or a gate: a signal that comes from elsewhere. */
const leastRail: Volts = 4;
