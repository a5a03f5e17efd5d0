import { kindOf, netlistRefusal } from '../elements';
import { type Circuit } from './circuit';

/** Nodes that are held together, joined one pair after another. */
class Joined {
  private readonly parent = new Map<string, string>();

  root(node: string): string {
    let at = node;
    while ((this.parent.get(at) ?? at) !== at) at = this.parent.get(at)!;
    return at;
  }

  /** Whether they were apart before. */
  join(a: string, b: string): boolean {
    const [one, other] = [this.root(a), this.root(b)];
    if (one === other) return false;
    this.parent.set(one, other);
    return true;
  }
}

/**
 * Refuses circuits that no solver can decide: nodes that float, loops without resistance.
 *
 * @throws Refusal with the line and the node
 */
export function checkCircuit(circuit: Circuit): void {
  const held = new Joined();
  for (const element of circuit.elements)
    for (const [a, b] of kindOf(element).holds?.(element) ?? [])
      if (!held.join(a, b))
        throw netlistRefusal(
          element.line,
          `${element.name} closes a loop without resistance between "${a}" and "${b}": put a resistor in it`,
        );
  const [floating] = floatingNodes(circuit);
  if (!floating) return;
  const [node] = floating;
  throw netlistRefusal(
    circuit.elements.find(({ nodes }) => nodes.some((one) => one === node))!.line,
    `node "${node}" floats: nothing that passes direct current leads from it to ground (0)`,
  );
}

/** Nodes that nothing which passes direct current leads from to ground: those that hang together, in a list each. */
export function floatingNodes({ elements }: Circuit): readonly (readonly string[])[] {
  const joined = new Joined();
  for (const element of elements) {
    const { holds, passes } = kindOf(element);
    for (const [a, b] of [...(holds?.(element) ?? []), ...(passes?.(element) ?? [])]) joined.join(a, b);
  }
  const groups = new Map<string, string[]>();
  const ground = joined.root('0');
  for (const node of new Set(elements.flatMap(({ nodes }) => nodes))) {
    const root = joined.root(node);
    if (root !== ground) groups.set(root, [...(groups.get(root) ?? []), node]);
  }
  return [...groups.values()];
}
