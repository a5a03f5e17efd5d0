import { type WalkAsks } from './walk';

/** A rail on its way to the aim, while its control is turned. */
export interface RailApproach {
  /** Volts that are left, by size: less than 0 where it went too far. */
  readonly left: number;
  /** Near enough to let go. */
  readonly there: boolean;
  /** Beyond what it may ever be taken to. */
  readonly past: boolean;
  /** Places on a scale from 0 to 1 with the aim in the middle: of the figure, of how far is near enough, and of the limit. */
  readonly at: number;
  readonly near: number;
  readonly limit: number | undefined;
}

/** This share of what a rail may be off is near enough to let go of its control. */
const nearEnough = 0.4;
/** The scale shows this much more than the way there, and at least so many of what it may be off. */
const scale = { more: 1.15, least: 4 };

/** How far a rail that reads so many volts is from the aim of its turn. */
export function approachOf({ row, move }: Extract<WalkAsks, { do: 'turn' }>, volts: number): RailApproach {
  const size = (value: number) => value * Math.sign(row.target);
  const left = size(move.aim) - size(volts);
  const near = nearEnough * row.within;
  const span = Math.max(scale.more * Math.abs(move.aim - move.now), scale.least * row.within);
  const placed = (value: number) => Math.min(1, Math.max(0, 0.5 + (value - size(move.aim)) / span / 2));
  const past = row.limit !== undefined && size(volts) > row.limit;
  return {
    left,
    there: Math.abs(left) <= near && !past,
    past,
    at: placed(size(volts)),
    near: near / span / 2,
    limit: row.limit === undefined || row.limit > size(move.aim) + span ? undefined : placed(row.limit),
  };
}
