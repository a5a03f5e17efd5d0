/** What was worked out lately, by key; what was not asked for longest goes first. */
export class Recent<Key, Value> {
  private readonly known = new Map<Key, Value>();

  /** @param most so many are kept */
  constructor(private readonly most: number) {}

  /** What is kept, which is the last to go from now on; undefined where there is none. */
  get(key: Key): Value | undefined {
    const value = this.known.get(key);
    if (value !== undefined) this.set(key, value);
    return value;
  }

  set(key: Key, value: Value): void {
    this.known.delete(key);
    this.known.set(key, value);
    if (this.known.size > this.most) this.known.delete(this.known.keys().next().value!);
  }
}
