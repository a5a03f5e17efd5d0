import { type Level, type Sheet } from '../sheet';

/** A guard behind a blink code, with the nets that have to be caught at start. */
export interface BlinkCondition {
  readonly title: string;
  /** Seconds from start until it acts. */
  readonly after: number;
  readonly nets: readonly { readonly title: string; readonly levels: readonly Level[] }[];
}

/** What may be behind a count of blinks: every guard of the sheet that blinks so. */
export function blinkConditions({ protections, nets }: Sheet, count: number): BlinkCondition[] {
  return [...protections.values()].flatMap(({ title, watches, blinks, after }): BlinkCondition[] =>
    blinks === count
      ? [{ title, after, nets: [...watches].map(([net, levels]) => ({ title: nets.get(net)!.title, levels })) }]
      : [],
  );
}
