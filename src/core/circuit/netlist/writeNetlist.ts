import { type Analysis, type Circuit, type Element, type Model, type Wave } from './circuit';

/**
 * Writes a circuit as the text that `readNetlist` reads.
 *
 * It is written flat: parameters and subcircuits are gone, the parts within a subcircuit are named with
 * their path behind their letter, `r_x1.r2`.
 */
export function writeNetlist({ title, elements, analyses, initial }: Circuit): string {
  const models = new Map<string, Model>();
  for (const element of elements) if ('model' in element) models.set(element.model.name, element.model);
  return [
    `* ${title}`,
    ...elements.flatMap((element, index) => [
      ...(element.section === (elements[index - 1]?.section ?? '') ? [] : [`* ${element.section}`]),
      elementLine(element),
    ]),
    ...[...models.values()].map(modelLine),
    ...(initial.size > 0 ? [`.ic ${[...initial].map(([node, volts]) => `v(${node})=${volts}`).join(' ')}`] : []),
    ...analyses.map(analysisLine),
    '.end',
    '',
  ].join('\n');
}

/** A part within a subcircuit, whose path begins with X, is to begin with its own letter. */
const flatName = (name: string, kind: string) => (/^x/i.test(name) ? `${kind}_${name}` : name);

function elementLine(element: Element): string {
  const name = flatName(element.label, element.kind);
  const nodes = element.kind === 'k' ? '' : element.nodes.join(' ');
  const area = 'area' in element && element.area !== 1 ? ` ${element.area}` : '';
  switch (element.kind) {
    case 'r':
    case 'c':
    case 'l':
      return `${name} ${nodes} ${element.value}${element.initial === undefined ? '' : ` IC=${element.initial}`}`;
    case 'v':
    case 'i': {
      const { magnitude, degrees } = element.ac;
      const ac = magnitude === 0 && degrees === 0 ? '' : ` AC ${magnitude} ${degrees}`;
      return `${name} ${nodes} DC ${element.dc}${ac}${waveText(element.wave)}`;
    }
    case 'e':
    case 'g':
      return `${name} ${nodes} ${element.control.join(' ')} ${element.gain}`;
    case 'f':
    case 'h':
      return `${name} ${nodes} ${flatName(element.through, 'v')} ${element.gain}`;
    case 'k':
      return `${name} ${element.coils.map((coil) => flatName(coil, 'l')).join(' ')} ${element.factor}`;
    case 'd':
    case 'q':
      return `${name} ${nodes} ${element.model.name}${area}`;
    case 'm':
      return `${name} ${nodes} ${element.model.name}${element.ratio === 1 ? '' : ` W=${element.ratio} L=1`}`;
  }
}

function waveText(wave: Wave): string {
  switch (wave.kind) {
    case 'dc':
      return '';
    case 'pulse': {
      const { low, high, delay, rise, fall, width, period } = wave;
      return ` PULSE(${[low, high, delay, rise, fall, width, period].filter(Number.isFinite).join(' ')})`;
    }
    case 'sin':
      return ` SIN(${[wave.offset, wave.amplitude, wave.hertz, wave.delay, wave.damping].join(' ')})`;
    case 'pwl':
      return ` PWL(${wave.points.flat().join(' ')})`;
  }
}

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
