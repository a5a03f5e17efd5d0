import { netlistRefusal } from './netlistRefusal';
import { assignments, type Line, valueOf } from './netlistText';

/** The parameters of a kind of model, each in one place. */
export interface ModelKind {
  readonly types: readonly string[];
  /** Parameters that are reckoned with. */
  readonly honoured: readonly string[];
  /** Other names that stand for them. */
  readonly alike?: Readonly<Record<string, string>>;
  /** Parameters that change nothing at rest and at 27 °C: capacitances, transit times, noise, temperature. */
  readonly atRest?: readonly string[];
  /** Levels that are known; 1 where absent. */
  readonly levels?: readonly number[];
}

export interface Model {
  readonly name: string;
  readonly type: string;
  readonly values: ReadonlyMap<string, number>;
}

/** Something in a netlist that is passed over since it changes nothing in what is worked out. */
export interface NetlistNote {
  readonly line: number;
  readonly text: string;
  /** True where it would change a run through time or over frequency. */
  readonly moving: boolean;
}

/** The only temperature that is reckoned with, in °C. */
export const temperature = 27;

/**
 * Reads a `.model` line.
 *
 * @throws Refusal where its type or one of its parameters is not known
 */
export function readModel(
  line: Line,
  words: readonly string[],
  parameters: ReadonlyMap<string, number>,
  kinds: readonly ModelKind[],
  note: (note: NetlistNote) => void,
): Model {
  const [, name, type = '', ...rest] = words;
  const kind = kinds.find(({ types }) => types.includes(type));
  const types = kinds.flatMap((one) => one.types);
  if (name === undefined || !kind)
    throw netlistRefusal(
      line.number,
      `.model needs a name and one of ${types.join(', ')}${type === '' ? '' : `; "${type}" is not known here`}`,
    );
  const values = new Map<string, number>();
  const passed: string[] = [];
  for (const word of rest)
    if (!word.includes('='))
      throw netlistRefusal(line.number, `.model ${name}: "${word}" is no parameter; write name=value`);
  for (const [key, written] of assignments(rest)) {
    const value = valueOf(written, line, parameters);
    const own = kind.alike?.[key] ?? key;
    if (own === 'level') {
      if (!(kind.levels ?? [1]).includes(value))
        throw netlistRefusal(
          line.number,
          `.model ${name}: level ${value} is not known here, only level ${(kind.levels ?? [1]).join(', ')}`,
        );
    } else if (own === 'tnom' || own === 'temp') {
      if (value !== temperature)
        throw netlistRefusal(
          line.number,
          `.model ${name}: ${key}=${value} is not reckoned with; everything is at ${temperature} °C`,
        );
    } else if (kind.honoured.includes(own)) values.set(own, value);
    else if (kind.atRest?.includes(own)) passed.push(key);
    else
      throw netlistRefusal(
        line.number,
        `.model ${name}: "${key}" is not reckoned with for ${type}; there are ${kind.honoured.join(', ')}`,
      );
  }
  if (passed.length > 0)
    note({ line: line.number, text: `.model ${name}: ${passed.join(', ')} change nothing at rest`, moving: true });
  return { name, type, values };
}
