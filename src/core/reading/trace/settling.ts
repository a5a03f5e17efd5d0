import { lineThrough, mean } from '../../statistics';
import { type Sample } from './trace';

/** Readings of this long a while must agree before they are taken, in seconds. */
const holds = 0.3;
const window = 0.5;
/** How far the halves of that while may lie apart: a share of the value, and an absolute floor in the unit read. */
const apart = { share: 0.012, floor: 0.004 };
/** The same of a slow meter, with too few readings to know its noise. */
const apartOfFew = 0.025;
/** Of a slow meter the last step to a value may be so much of it, where the step before was the touch: so many times as large. */
const lastStep = 0.045;
const touchStep = 10;
/** Noise beyond this share of the value is no reading at rest. */
const loudest = 0.03;
/** With fewer readings the noise is not known. */
const forNoise = 5;

/** What creeps by more than this share in a second, and surely so, charges something and has not settled. */
const creeps = 0.005;
const surely = 3;
/**
 * Readings looked back on for that, in seconds: at first, and once the touch is over and has been for long
 * enough to tell more. A step of the share `jump` begins anew.
 */
const lookBack = { short: 0.5, long: 2.5, touch: 0.7, enough: 1 };
const jump = 0.08;

const meanOf = (part: readonly Sample[]) => mean(part.map(({ value }) => value));

/**
 * Watches a meter and says when its reading has settled, so that it can be recorded with both hands
 * on the probes. What settled is told once; the next is waited for after the reading has moved away.
 */
export class SettleWatch {
  private recent: Sample[] = [];
  /** Since the value last jumped. */
  private since: Sample[] = [];
  private jumpedAt = 0;
  /** The last three, in which a slow meter shows how the touch ends. */
  private three: Sample[] = [];
  private told: number | undefined;

  /** @returns the settled value, the first time it is one */
  take(sample: Sample): number | undefined {
    if (!Number.isFinite(sample.value)) {
      this.recent = [];
      this.since = [];
      this.three = [];
      this.told = undefined;
      return undefined;
    }
    // One reading before the window is kept, so that a slow meter is judged by two.
    const first = this.recent.findIndex(({ at }) => at >= sample.at - window);
    this.recent = [...(first < 0 ? this.recent.slice(-1) : this.recent.slice(first)), sample];
    const last = this.since[this.since.length - 1];
    const jumped = last && Math.abs(sample.value - last.value) > jump * Math.abs(sample.value) + apart.floor;
    if (jumped || this.since.length === 0) this.jumpedAt = sample.at;
    this.since = [...(jumped ? [] : this.since.filter(({ at }) => at >= sample.at - lookBack.long)), sample];
    this.three = [...this.three.slice(-2), sample];
    const resting = restingValue(this.recent) ?? afterTouch(this.three);
    const value = resting !== undefined && this.creeps(resting) ? undefined : resting;
    const allowed = Math.max(apart.floor, apart.share * Math.abs(sample.value));
    if (this.told !== undefined && value !== undefined && Math.abs(this.told - value) > 4 * allowed)
      this.told = undefined;
    if (this.told !== undefined || value === undefined) return undefined;
    this.told = value;
    return value;
  }

  private creeps(value: number): boolean {
    const now = this.since[this.since.length - 1]!.at;
    const short = this.since.filter(({ at }) => at >= now - lookBack.short);
    const long = this.since.filter(({ at }) => at >= this.jumpedAt + lookBack.touch);
    const known = long.length > 0 && now - long[0]!.at >= lookBack.enough;
    return creeping(short, value) || (known && creeping(long, value));
  }
}

/** The value at which readings rest; undefined while they move. */
function restingValue(samples: readonly Sample[]): number | undefined {
  const half = samples.length >> 1;
  if (half === 0 || samples[samples.length - 1]!.at - samples[0]!.at < holds) return undefined;
  const value = meanOf(samples);
  const share = samples.length >= forNoise ? apart.share : apartOfFew;
  const allowed = Math.max(apart.floor, share * Math.abs(value));
  const noise = samples.length >= forNoise ? noiseOf(samples) : 0;
  if (noise > Math.max(apart.floor, loudest * Math.abs(value))) return undefined;
  const moved = Math.abs(meanOf(samples.slice(-half)) - meanOf(samples.slice(0, half)));
  return moved <= allowed + 2 * noise * Math.sqrt(2 / half) ? value : undefined;
}

/** The value a slow meter has come to with a small step after the large one of the touch, the same way. */
function afterTouch([before, touched, now]: readonly Sample[]): number | undefined {
  if (!before || !touched || !now || now.at - touched.at < holds) return undefined;
  const [touch, step] = [touched.value - before.value, now.value - touched.value];
  const small = Math.abs(step) <= lastStep * Math.abs(now.value) && Math.abs(touch) >= touchStep * Math.abs(step);
  return small && touch * step >= 0 ? now.value : undefined;
}

/** Do the readings go one way, by more than their scatter about the line through them explains? */
function creeping(samples: readonly Sample[], value: number): boolean {
  if (samples.length < forNoise) return false;
  const { slope, slopeError } = lineThrough(samples.map(({ at, value: read }) => [at, read]));
  return Math.abs(slope) > creeps * Math.abs(value) + apart.floor && Math.abs(slope) > surely * slopeError;
}

/** From the differences of neighbours, in which what moves slowly vanishes. */
function noiseOf(samples: readonly Sample[]): number {
  const squares = samples.slice(1).reduce((sum, { value }, index) => sum + (value - samples[index]!.value) ** 2, 0);
  return Math.sqrt(squares / (2 * (samples.length - 1)));
}
