import { type Element, kindOf } from '../elements';
import { type Circuit } from './circuit';

/** What of a part can be turned: ohms, farads, henries, volts or amperes; undefined of a part with no such value. */
export const turnable = (element: Element): number | undefined => kindOf(element).turnable?.(element);

/** A circuit with some of its values multiplied. @param factors by name of the part */
export function scaled(circuit: Circuit, factors: ReadonlyMap<string, number>): Circuit {
  return {
    ...circuit,
    elements: circuit.elements.map((element) => {
      const factor = factors.get(element.name);
      if (factor === undefined || turnable(element) === undefined) return element;
      return kindOf(element).turned?.(element, factor) ?? element;
    }),
  };
}

/** What is left of the capacitance of a dried-out electrolytic, and the product of its resistance and nominal capacitance, in seconds. */
const dry = { share: 0.15, seconds: 2e-3 };

/**
 * A circuit with an electrolytic dried out: a seventh of its capacitance left, behind a resistance that
 * grows as the capacitor is smaller (4 Ω for 470 µF).
 *
 * @throws Error when the circuit has no such capacitor
 */
export function dried(circuit: Circuit, ref: string): Circuit {
  const element = circuit.elements.find(({ name }) => name === ref.toLowerCase());
  if (element?.kind !== 'c') throw new Error(`there is no capacitor "${ref}"`);
  const [plus, minus] = element.nodes;
  const behind = `${element.name}:esr`;
  return {
    ...circuit,
    elements: circuit.elements.flatMap((one): Element[] =>
      one === element
        ? [
            { ...element, nodes: [behind, minus], value: element.value * dry.share },
            {
              kind: 'r',
              name: `r${element.name}:esr`,
              label: `${element.label} ESR`,
              line: element.line,
              section: element.section,
              nodes: [plus, behind],
              value: dry.seconds / element.value,
            },
          ]
        : [one],
    ),
  };
}
