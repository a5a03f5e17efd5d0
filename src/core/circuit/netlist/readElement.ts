import {
  Card,
  type Element,
  isBehavioural,
  kindOf,
  letters,
  type Line,
  type Model,
  netlistRefusal,
  type Scope,
  writtenName,
} from '../elements';

const transmissionLines = 'transmission lines are not known here; put their resistance in the place of one';

/** Kinds of element that other programs know, and why there is none of them here. */
const unknown: Readonly<Record<string, string>> = {
  ...Object.fromEntries([...'touyp'].map((letter) => [letter, transmissionLines])),
  a: 'digital and behavioural blocks are not known here; put sources in their place',
  z: 'MESFETs are not known here',
};

/**
 * Reads the line of an element, whose words are given.
 *
 * @param models those of its subcircuit and of what lies around it
 * @throws Refusal with the line where something is missing, or is not reckoned with
 */
export function readElement(
  line: Line,
  words: readonly string[],
  scope: Scope,
  models: ReadonlyMap<string, Model>,
): Element {
  const own = words[0]!;
  const kind = isBehavioural(line.text) ? 'b' : letters.find((letter) => letter === own[0]);
  if (!kind)
    throw netlistRefusal(
      line.number,
      `"${own}" is no element: ${unknown[own[0]!] ?? `they begin with ${letters.join(' ').toUpperCase()} X`}`,
    );
  const card = new Card(
    line,
    words,
    scope,
    (name) => models.get(name),
    () => [...models.keys()],
  );
  const read = kindOf({ kind }).read(card);
  card.end();
  const common = { name: `${scope.path}${own}`, label: `${scope.label}${writtenName(line)}` };
  return { ...read, ...common, line: line.number, section: line.section } as Element;
}
