import { Refusal, parseQuantity, type Unit, unitNames, attempt } from '../quantity';
import { isMap, isScalar, isSeq, type Node } from 'yaml';
import { type Problem } from './problem';
import { type Places } from './sources';
import { type Place } from './place';

/** What every field of one sheet shares: where nodes were written, and the problems found so far. */
export interface SheetReading {
  readonly places: Places;
  readonly problems: Problem[];
}

const nowhere: Place = { line: 1, column: 1 };

/**
 * A value in the YAML text that knows its place.
 *
 * SheetReading never throws: a wrong value leaves a problem and yields the fallback, so that one
 * reading of a sheet reports all that is wrong with it.
 */
export class Field {
  constructor(
    private readonly reading: SheetReading,
    private readonly node: Node | null | undefined,
    /** What the field is called in messages. */
    readonly name: string,
    private readonly parent?: Field,
    private readonly keyPlace?: Place,
  ) {}

  get place(): Place {
    return this.keyPlace ?? this.reading.places.placeOf(this.node) ?? this.parent?.place ?? nowhere;
  }

  get present(): boolean {
    return this.node !== null && this.node !== undefined && !(isScalar(this.node) && this.node.value === null);
  }

  get isScalar(): boolean {
    return isScalar(this.node);
  }

  fail(message: string): void {
    this.reading.problems.push({ ...this.valuePlace(), message });
  }

  private valuePlace(): Place {
    return this.reading.places.placeOf(this.node) ?? this.place;
  }

  /** A member of a mapping; missing members are fields that are not `present`. */
  get(key: string): Field {
    const node = isMap(this.node) ? (this.node.get(key, true) as Node | undefined) : undefined;
    return new Field(this.reading, node, key, this);
  }

  /** Members of a mapping in file order. */
  entries(): Field[] {
    if (!this.present) return [];
    if (!isMap(this.node)) {
      this.fail(`"${this.name}" should be a list of "name: value" lines`);
      return [];
    }
    return this.node.items.map(({ key, value }) => {
      const name = isScalar(key) ? String(key.value) : '?';
      return new Field(this.reading, value as Node | null, name, this, this.reading.places.placeOf(key as Node));
    });
  }

  items(): Field[] {
    if (!this.present) return [];
    if (!isSeq(this.node)) {
      this.fail(`"${this.name}" should be a list in [brackets] or with dashes`);
      return [];
    }
    return this.node.items.map((item) => new Field(this.reading, item as Node, this.name, this));
  }

  /** Complains about members nobody reads, which are nearly always misspellings. */
  only(...allowed: string[]): void {
    for (const entry of this.entries()) {
      if (!allowed.includes(entry.name)) {
        this.reading.problems.push({
          ...entry.place,
          message: `"${entry.name}" means nothing in "${this.name}"; it may have ${allowed.join(', ')}`,
        });
      }
    }
  }

  text(fallback?: string): string {
    if (!this.present) {
      if (fallback === undefined)
        this.fail(`"${this.name}" is missing${this.parent ? ` in "${this.parent.name}"` : ''}`);
      return fallback ?? '';
    }
    if (!isScalar(this.node) || typeof this.node.value === 'object') {
      this.fail(`"${this.name}" should be a word or a sentence`);
      return fallback ?? '';
    }
    return String(this.node.source ?? this.node.value).trim();
  }

  optionalText(): string | undefined {
    return this.present ? this.text() : undefined;
  }

  texts(): string[] {
    return this.items().map((item) => item.text());
  }

  oneOf<T extends string>(allowed: readonly T[], fallback?: T): T {
    const text = this.text(fallback);
    const found = allowed.find((word) => word === text);
    if (found === undefined && (this.present || fallback === undefined)) {
      if (this.present) this.fail(`"${text}" is not a ${this.name}; it may be ${allowed.join(', ')}`);
    }
    return found ?? fallback ?? allowed[0]!;
  }

  flag(fallback: boolean): boolean {
    if (!this.present) return fallback;
    const value = isScalar(this.node) ? this.node.value : undefined;
    if (typeof value === 'boolean') return value;
    this.fail(`"${this.name}" should be true or false`);
    return fallback;
  }

  /** A quantity in engineering notation; the unit, where written, must be `unit`. */
  quantity(unit: Unit, fallback?: number): number {
    const text = this.text(fallback === undefined ? undefined : String(fallback));
    if (!this.present) return fallback ?? 0;
    return this.attempt(() => {
      const quantity = parseQuantity(text);
      if (quantity.unit !== undefined && quantity.unit !== unit)
        this.fail(`"${this.name}" is in ${unitNames[unit]}, not ${unitNames[quantity.unit]}`);
      return quantity.value;
    }, fallback ?? 0);
  }

  optionalQuantity(unit: Unit): number | undefined {
    return this.present ? this.quantity(unit) : undefined;
  }

  number(fallback: number, least = -Infinity, most = Infinity): number {
    const value = this.quantity('', fallback);
    if (value < least || value > most) {
      this.fail(`"${this.name}" is ${value}; it may be from ${least} to ${most}`);
      return fallback;
    }
    return value;
  }

  /** Tries `read`; a quantity it cannot read becomes a problem here. */
  attempt<T>(read: (text: string) => T, fallback: T): T {
    if (!this.present) return fallback;
    const value = attempt(() => read(this.text()));
    if (!(value instanceof Refusal)) return value;
    this.fail(value.message);
    return fallback;
  }
}
