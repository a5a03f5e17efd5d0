import { kindOf, netlistRefusal } from '../elements';
import { type Circuit } from './circuit';

/**
 * Refuses circuits that no solver can decide: nodes that float, loops without resistance.
 *
 * @throws Refusal with the line and the node
 */
export function checkCircuit({ elements }: Circuit): void {
  const parent = new Map<string, string>();
  const root = (node: string): string => {
    let at = node;
    while ((parent.get(at) ?? at) !== at) at = parent.get(at)!;
    return at;
  };
  const join = (a: string, b: string): boolean => {
    const [one, other] = [root(a), root(b)];
    if (one === other) return false;
    parent.set(one, other);
    return true;
  };
  for (const element of elements)
    for (const [a, b] of kindOf(element).holds?.(element) ?? [])
      if (!join(a, b))
        throw netlistRefusal(
          element.line,
          `${element.name} closes a loop without resistance between "${a}" and "${b}": put a resistor in it`,
        );
  const firstLine = new Map<string, number>();
  for (const element of elements) {
    for (const node of element.nodes) if (!firstLine.has(node)) firstLine.set(node, element.line);
    for (const [a, b] of kindOf(element).passes?.(element) ?? []) join(a, b);
  }
  for (const [node, line] of firstLine) {
    if (root(node) !== root('0'))
      throw netlistRefusal(
        line,
        `node "${node}" floats: nothing that passes direct current leads from it to ground (0)`,
      );
  }
}
