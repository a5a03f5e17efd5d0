import { type ApartKind, type ApartLine, apartText, type LogEntry, standing } from '../log';

/** A step of taking a set apart, and whether it is back. */
export interface TeardownStep extends Omit<ApartLine, 'kind'> {
  /** Id of the line that stands for it. */
  readonly id: string;
  readonly at: string;
  /** Id of the line by which it was put back; undefined where it was not. */
  readonly back: string | undefined;
}

/** The steps in which a set was taken apart, in their order. */
export function teardownOf(log: readonly LogEntry[]): TeardownStep[] {
  const returned = new Map(standing(log, 'back').map(({ entry, body }) => [body.step, entry.id]));
  // A step that was corrected is what it was: it stays back.
  const first = new Map<string, string>();
  for (const { id, supersedes } of log)
    if (supersedes !== undefined) first.set(id, first.get(supersedes) ?? supersedes);
  return standing(log, 'apart').map(({ entry, body: { kind: _kind, ...step } }) => ({
    ...step,
    id: entry.id,
    at: entry.at,
    back: returned.get(entry.id) ?? returned.get(first.get(entry.id) ?? ''),
  }));
}

/** What is still to be put back, in the order of putting together: the last taken first. */
export const stillOut = (steps: readonly TeardownStep[]): TeardownStep[] =>
  steps.filter(({ back }) => back === undefined).reverse();

/** What has to be in its place before power comes: a set without its grounds or pads is another set. */
const neededForPower: ReadonlySet<ApartKind> = new Set(['ground', 'cable', 'latch', 'pad']);

/** What of it has to be back before power is applied. */
export const outBeforePower = (steps: readonly TeardownStep[]): TeardownStep[] =>
  stillOut(steps).filter(({ what }) => neededForPower.has(what));

/** Screws that are not back, over all steps. */
export const screwsLeft = (steps: readonly TeardownStep[]): number =>
  stillOut(steps)
    .filter(({ what }) => what === 'screw')
    .reduce((sum, { count }) => sum + count, 0);

/** `ribbon to the upper buffer, 4 screws: long black`: the first of them, and how many more. */
export function stepsText(steps: readonly TeardownStep[], most = 4): string {
  const shown = steps.slice(0, most).map(apartText);
  return [...shown, ...(steps.length > most ? [`${steps.length - most} more`] : [])].join(', ');
}
