/** A set as the day sees it. */
export interface WorkableSet {
  readonly id: string;
  /** What it is worth to have it done, in money. */
  readonly worth: number;
  /** Bench minutes of its next step. */
  readonly next: number;
  /** Bench minutes until it leaves, the next step among them. */
  readonly remaining: number;
  /** Days of waiting, for a part or a soak, that its next step sets going; 0 for none. */
  readonly opensWait: number;
  /** Days of waiting until it leaves, those that its next step sets going among them. */
  readonly waits: number;
  /** Days until it is due; undefined where nobody waits for a day. */
  readonly dueIn?: number | undefined;
}

/** A set in the order of the day, with what puts it there and the words for it. */
export interface RankedSet {
  readonly id: string;
  /** Money an hour of the bench, urgency and what can wait meanwhile weighed in. */
  readonly index: number;
  readonly why: string;
}

/** A day at the bench has so many minutes. */
const benchDay = 240;
/** A due day begins to press when about so many days of slack are left. */
const pressing = 3;
/** So much is a wait of a week worth that begins today and not tomorrow. */
const waitWeight = 0.6;
/** No step is so short that it makes all else wait. */
const shortest = 10;

/** So many times is a set worth the bench, on top of once, from the day on which it must be begun. */
const pressure = 4;

/** How much a due day presses: 1 while there is much slack beside its work and its waits. */
function urgency({ dueIn, remaining, waits }: WorkableSet): number {
  if (dueIn === undefined) return 1;
  const slack = dueIn - waits - remaining / benchDay;
  return 1 + pressure * Math.exp(-Math.max(0, slack) / pressing);
}

/**
 * In which order the sets are worth the bench today: worth an hour of what is left to do, raised where a due day comes
 * near, and where a step lets a part come or a set run while the bench does something else.
 *
 * Weighted shortest processing time (Smith 1956) with the urgency of the apparent-tardiness rule (Vepsalainen and
 * Morton 1987); what opens a wait is counted by its own minutes as well.
 *
 * @param money how an amount is written
 */
export function rankDay(sets: readonly WorkableSet[], money: (amount: number) => string = String): RankedSet[] {
  return sets
    .map((set) => ({ set, index: indexOf(set) }))
    .sort((a, b) => b.index - a.index)
    .map(({ set, index }) => ({ id: set.id, index, why: whyOf(set, money) }));
}

function indexOf(set: WorkableSet): number {
  const { next, remaining, opensWait } = set;
  const opened = opensWait === 0 ? 0 : waitWeight * Math.min(1, opensWait / 7) * perHour(set, next);
  return urgency(set) * (perHour(set, remaining) + opened);
}

const perHour = ({ worth }: WorkableSet, minutes: number): number => (60 * worth) / Math.max(shortest, minutes);

/** `a day`, `3 days`. */
export const dayCount = (days: number): string => (days === 1 ? 'a day' : `${days} days`);

function whyOf(set: WorkableSet, money: (amount: number) => string): string {
  const { opensWait, dueIn, remaining } = set;
  const due =
    dueIn === undefined || urgency(set) < 1.3
      ? []
      : [
          dueIn < 0
            ? `due ${dayCount(Math.ceil(-dueIn))} ago`
            : dueIn < 1
              ? 'due today'
              : `due in ${dayCount(Math.floor(dueIn))}`,
        ];
  const waits =
    opensWait > 0 ? [`then it waits ${opensWait < 1 ? 'some hours' : dayCount(Math.round(opensWait))}`] : [];
  return [`worth ${money(Math.round(perHour(set, remaining)))} an hour`, ...due, ...waits].join(', ');
}
