import { kindOf, type Model } from '../elements';
import { type Analysis, type Circuit } from './circuit';

/**
 * Writes a circuit as the text that `readNetlist` reads.
 *
 * It is written flat: parameters and subcircuits are gone, the parts within a subcircuit are named with
 * their path behind their letter, `r_x1.r2`.
 */
export function writeNetlist({ title, elements, analyses, initial, guessed }: Circuit): string {
  const models = new Map<string, Model>();
  for (const element of elements) if ('model' in element) models.set(element.model.name, element.model);
  return [
    `* ${title}`,
    ...elements.flatMap((element, index) => [
      ...(element.section === (elements[index - 1]?.section ?? '') ? [] : [`* ${element.section}`]),
      `${flatName(element.kind, element.label)} ${kindOf(element).write(element, flatName)}`,
    ]),
    ...[...models.values()].map(modelLine),
    ...nodeLine('.ic', initial),
    ...nodeLine('.nodeset', guessed),
    ...analyses.map(analysisLine),
    '.end',
    '',
  ].join('\n');
}

/** An element whose path begins with another letter, as that of a subcircuit, is to begin with its own. */
const flatName = (kind: string, name: string) => (name.toLowerCase().startsWith(kind) ? name : `${kind}_${name}`);

const nodeLine = (directive: string, volts: ReadonlyMap<string, number>): string[] =>
  volts.size === 0 ? [] : [`${directive} ${[...volts].map(([node, value]) => `v(${node})=${value}`).join(' ')}`];

const modelLine = ({ name, type, values }: Model): string =>
  `.model ${name} ${type}(${[...values].map(([key, value]) => `${key}=${value}`).join(' ')})`;

function analysisLine(analysis: Analysis): string {
  switch (analysis.kind) {
    case 'op':
      return '.op';
    case 'tran': {
      const { step, stop, start, most, given } = analysis;
      return ['.tran', step, stop, start, ...(most === undefined ? [] : [most]), ...(given ? ['uic'] : [])].join(' ');
    }
    case 'ac':
      return ['.ac', analysis.scale, analysis.points, analysis.from, analysis.to].join(' ');
  }
}
