import { type Sample } from '../reading';
import { median } from '../statistics';

/** What a watched figure did: how far it fell, as a share of what is usual, when, and for how long. */
export interface Watched {
  /** It went and stayed away; it came again; it went for a moment; it wavers as it did not before. */
  readonly kind: 'lost' | 'back' | 'dip' | 'restless';
  /** On the clock of the readings, in seconds: when it began. */
  readonly at: number;
  /** Share of the usual figure. */
  readonly level: number;
  /** Seconds; 0 for what still lasts. */
  readonly lasted: number;
}

/** So long the usual figure is learnt, in seconds, from so many readings at least. */
const learns = { seconds: 6, readings: 12 } as const;
/** Below this share of the usual figure it is gone; above the second it is there again. */
const gone = 0.5;
const there = 0.8;
/** Gone for longer than this it is lost, gone for less than the second it was the meter’s own. */
const lostAfter = 3;
const dipFrom = 0.15;
/** How much it wavers is looked at over so many seconds, and is told where it is so many times the usual and so large a share. */
const wavers = { over: 4, times: 5, share: 0.04 } as const;
/** The usual figure follows a set that warms: by this share of the way a second. */
const follows = 0.01;

/**
 * Watches one figure while a set runs: a rail, or the light of its screen by a photocell on the meter. What is usual is learnt
 * from the first seconds and follows slowly.
 */
export class SoakWatch {
  private first: Sample[] = [];
  private recent: Sample[] = [];
  private level: number | undefined;
  private waver = 0;
  private wentAt: number | undefined;
  private lost = false;
  private restless = false;
  private lowest = 1;
  private last = 0;

  /** The figure that is usual; undefined while it is learnt. */
  get usual(): number | undefined {
    return this.level;
  }

  take(sample: Sample): Watched | undefined {
    const seconds = Math.max(0, sample.at - this.last);
    this.last = sample.at;
    if (this.level === undefined) return this.learn(sample);
    const share = Number.isFinite(sample.value) ? sample.value / this.level : 0;
    if (this.wentAt === undefined) {
      if (share < gone) {
        this.wentAt = sample.at;
        this.lowest = share;
        this.recent = [];
        return undefined;
      }
      this.level += this.level * (share - 1) * Math.min(1, follows * seconds);
      return this.wavering(sample, share);
    }
    return this.away(sample.at, share, this.wentAt);
  }

  private learn(sample: Sample): undefined {
    if (!Number.isFinite(sample.value)) return undefined;
    this.first.push(sample);
    const [start] = this.first;
    if (this.first.length < learns.readings || sample.at - start!.at < learns.seconds) return undefined;
    const values = this.first.map(({ value }) => value);
    const level = median(values);
    // Nothing can be lost of what is not there.
    if (Math.abs(level) < 1e-9) {
      this.first = [];
      return undefined;
    }
    this.level = level;
    this.waver = 1.48 * median(values.map((value) => Math.abs(value / level - 1)));
    return undefined;
  }

  private away(at: number, share: number, since: number): Watched | undefined {
    this.lowest = Math.min(this.lowest, share);
    if (share >= there) {
      const [wasLost, level] = [this.lost, this.lowest];
      this.wentAt = undefined;
      this.lost = false;
      const lasted = at - since;
      if (wasLost) return { kind: 'back', at, level: share, lasted };
      return lasted >= dipFrom ? { kind: 'dip', at: since, level, lasted } : undefined;
    }
    if (this.lost || at - since < lostAfter) return undefined;
    this.lost = true;
    return { kind: 'lost', at: since, level: this.lowest, lasted: 0 };
  }

  private wavering(sample: Sample, share: number): Watched | undefined {
    this.recent.push({ at: sample.at, value: share });
    while (sample.at - this.recent[0]!.at > wavers.over) this.recent.shift();
    if (sample.at - this.recent[0]!.at < 0.8 * wavers.over) return undefined;
    const middle = median(this.recent.map(({ value }) => value));
    const spread = 1.48 * median(this.recent.map(({ value }) => Math.abs(value - middle)));
    const large = spread > wavers.share && spread > wavers.times * this.waver;
    if (!large) this.restless = false;
    if (!large || this.restless) return undefined;
    this.restless = true;
    return { kind: 'restless', at: this.recent[0]!.at, level: spread, lasted: 0 };
  }
}

/** What a watched figure did, in words. */
export function watchedSaid({ kind, level, lasted }: Watched, what: string): string {
  const percent = `${Math.max(0, Math.round(100 * level))} %`;
  const seconds = `${lasted.toFixed(1)} s`;
  switch (kind) {
    case 'lost':
      return `${what} fell to ${percent} and stayed there`;
    case 'back':
      return `${what} came again after ${seconds}`;
    case 'dip':
      return `${what} fell to ${percent} for ${seconds}`;
    case 'restless':
      return `${what} wavers by ${percent}, as it did not before`;
  }
}
