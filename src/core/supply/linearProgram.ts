import { type LegacyHighs } from 'highs';

/** A linear programme with whole-number unknowns, written down row by row. */
export class LinearProgram {
  private readonly rows: string[] = [];
  private readonly bounds: string[] = [];
  private readonly binaries: string[] = [];
  private readonly integers: string[] = [];
  private readonly cost: string[] = [];

  /** An unknown that is 0 or 1. */
  binary(name: string, cost = 0): string {
    this.binaries.push(name);
    this.adds(name, cost);
    return name;
  }

  /** A whole number from 0 to `most`. */
  integer(name: string, most: number, cost = 0): string {
    this.integers.push(name);
    this.bounds.push(`0 <= ${name} <= ${most}`);
    this.adds(name, cost);
    return name;
  }

  /** Σ factor · unknown against a number. */
  row(terms: readonly (readonly [factor: number, name: string])[], relation: '<=' | '>=' | '=', right: number): void {
    if (terms.length > 0) this.rows.push(`c${this.rows.length}: ${terms.map(term).join(' ')} ${relation} ${right}`);
  }

  /** As text in the common LP form: minimise, subject to, bounds, general, binary. */
  text(): string {
    return [
      'Minimize',
      ` obj: ${this.cost.length > 0 ? this.cost.join(' ') : '0 nothing'}`,
      'Subject To',
      ...this.rows.map((row) => ` ${row}`),
      'Bounds',
      ...this.bounds.map((bound) => ` ${bound}`),
      'General',
      ` ${this.integers.join(' ')}`,
      'Binary',
      ` ${this.binaries.join(' ')}`,
      'End',
    ].join('\n');
  }

  private adds(name: string, cost: number): void {
    if (cost !== 0) this.cost.push(term([cost, name]));
  }
}

const term = ([factor, name]: readonly [number, string]) => `${factor < 0 ? '-' : '+'} ${Math.abs(factor)} ${name}`;

let solver: Promise<LegacyHighs> | undefined;

/** What was found: the unknowns, what they cost, and whether nothing can be better. */
export interface Solved {
  readonly value: (name: string) => number;
  readonly cost: number;
  readonly exact: boolean;
}

/** Leaves a gap of one in a million at most, if it is given the time. */
const gap = 1e-6;

/**
 * Solves a programme by branch and bound; undefined where nothing satisfies all rows.
 *
 * @param seconds after which the best found so far is given
 */
export async function solve(program: LinearProgram, seconds = 4): Promise<Solved | undefined> {
  // Fetched when something is to be solved: a page that only reads parts does without it.
  solver ??= import('highs').then(({ default: load }) => load());
  const highs = await solver;
  const found = highs.solve(program.text(), { time_limit: seconds, mip_rel_gap: gap, log_to_console: false });
  if (!('Columns' in found) || (found.Status !== 'Optimal' && found.Status !== 'Time limit reached')) return undefined;
  if (!Number.isFinite(found.ObjectiveValue)) return undefined;
  const columns: Readonly<Record<string, { readonly Primal?: number }>> = found.Columns;
  return {
    value: (name) => Math.round(columns[name]?.Primal ?? 0),
    cost: found.ObjectiveValue,
    exact: found.Status === 'Optimal',
  };
}
