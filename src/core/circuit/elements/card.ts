import { type Refusal } from '../../quantity';
import { type Model, temperature } from './model';
import { netlistRefusal } from './netlistRefusal';
import { type Line, listed, nodeIn, type Scope, valueOf } from './netlistText';

/** The line of an element, read word by word; what nobody took is refused at the end. */
export class Card {
  private at = 1;
  private readonly plain: readonly string[];
  private readonly named = new Map<string, string>();

  constructor(
    readonly line: Line,
    words: readonly string[],
    readonly scope: Scope,
    private readonly models: (name: string) => Model | undefined,
    private readonly modelNames: () => readonly string[],
  ) {
    this.plain = words.filter((word) => !/^[^{']+=/.test(word));
    for (const word of words) {
      const equal = word.indexOf('=');
      if (/^[^{']+=/.test(word)) this.named.set(word.slice(0, equal), word.slice(equal + 1));
    }
  }

  /** The element's name as this line has it, in small letters. */
  get own(): string {
    return this.plain[0]!;
  }

  refuse(complaint: string): Refusal {
    return netlistRefusal(this.line.number, complaint);
  }

  /** The next word, which is not taken. */
  peek(): string | undefined {
    return this.plain[this.at];
  }

  word(): string | undefined {
    const word = this.plain[this.at];
    if (word !== undefined) this.at += 1;
    return word;
  }

  /** Takes the next word where it is this one. */
  take(...wanted: readonly string[]): boolean {
    if (!wanted.includes(this.peek() ?? '')) return false;
    this.at += 1;
    return true;
  }

  node(): string {
    const word = this.word();
    if (word === undefined) throw this.refuse(`${this.own} needs more nodes`);
    return nodeIn(this.scope, word);
  }

  pair(): readonly [string, string] {
    return [this.node(), this.node()];
  }

  value(): number {
    return valueOf(this.word(), this.line, this.scope.parameters);
  }

  /** Does the next word read as a number or an expression? */
  get atNumber(): boolean {
    const word = this.peek();
    return word !== undefined && (/^[-+]?[.\d]/.test(word) || /^[-+]?[{']/.test(word));
  }

  /** Numbers up to the next word that is none. */
  numbers(): number[] {
    const values: number[] = [];
    while (this.atNumber) values.push(this.value());
    return values;
  }

  /** The value of `name=value`; undefined where it is not there. */
  setting(...names: readonly string[]): number | undefined {
    for (const name of names) {
      const word = this.named.get(name);
      if (word === undefined) continue;
      this.named.delete(name);
      return valueOf(word, this.line, this.scope.parameters);
    }
    return undefined;
  }

  /** Takes a setting that changes nothing at rest. */
  passOver(...names: readonly string[]): void {
    for (const name of names) this.named.delete(name);
  }

  /** Does the next word name a model? */
  get atModel(): boolean {
    return this.models(this.peek() ?? '') !== undefined;
  }

  /** Does the word after the next name a model? */
  get modelAfterNext(): boolean {
    return this.models(this.plain[this.at + 1] ?? '') !== undefined;
  }

  model(...types: readonly string[]): Model {
    const word = this.word() ?? '';
    const model = this.models(word);
    if (!model)
      throw this.refuse(`${this.own} names model "${word}", which is missing${listed([...this.modelNames()])}`);
    if (!types.includes(model.type))
      throw this.refuse(`${this.own} needs a model ${types.join(' or ')}; "${model.name}" is ${model.type}`);
    return model;
  }

  /** How many of it stand side by side. */
  multiplier(): number {
    const m = this.setting('m') ?? 1;
    if (!(m > 0)) throw this.refuse(`${this.own} has m=${m}: it must be above 0`);
    return m;
  }

  /** The area of a junction or transistor, times how many stand side by side. */
  area(): number {
    const written = this.atNumber ? this.value() : 1;
    return (this.setting('area') ?? written) * this.multiplier();
  }

  /** Takes all that is left: it was read from the line itself. */
  skip(): void {
    this.at = this.plain.length;
    this.named.clear();
  }

  /** The name of another element, as this line may write it. */
  element(): string {
    return `${this.scope.path}${this.word() ?? ''}`;
  }

  /** @throws Refusal where something was not understood */
  end(): void {
    const own = this.setting('temp');
    const apart = this.setting('dtemp');
    if ((own ?? temperature) !== temperature || (apart ?? 0) !== 0)
      throw this.refuse(`${this.own} has a temperature of its own; everything is at ${temperature} °C here`);
    const left = [...this.plain.slice(this.at), ...[...this.named].map(([key, value]) => `${key}=${value}`)];
    if (left.length > 0) throw this.refuse(`${this.own}: "${left[0]!}" is not reckoned with here; take it out`);
  }
}
