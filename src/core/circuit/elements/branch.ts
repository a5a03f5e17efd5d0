import { type Equations, type Pair, type Places } from './element';

/** Stamps the current of an element between its nodes, and the voltage between them on the left of its equation. */
export function stampBranch(name: string, [plus, minus]: Pair, equations: Equations, places: Places): number {
  const branch = places.current(name);
  const [a, b] = [places.node(plus), places.node(minus)];
  equations.add(a, branch, 1);
  equations.add(b, branch, -1);
  equations.add(branch, a, 1);
  equations.add(branch, b, -1);
  return branch;
}
