/** A netlist that cannot be taken; the message starts with the line and says what would be right. */
export class NetlistError extends Error {
  override readonly name = 'NetlistError';
  constructor(
    readonly line: number,
    readonly complaint: string,
  ) {
    super(`line ${line}: ${complaint}`);
  }
}
