import { adviseRails, type Rail, type RailsAdvice, type Touch } from '../rails';
import { type Light, noticeable } from './light';
import { type Bar, bars } from '../../log';
import { type GreyControl } from './tube';

/** The two bars as a meter reads them. */
export type GreyReading = Readonly<Record<Bar, Light>>;

export interface GreyTouch {
  readonly control: GreyControl;
  /** Turns, clockwise up; undefined where nobody counted. */
  readonly turn: number | undefined;
  readonly before: GreyReading;
  readonly after: GreyReading;
}

/** A control is right well within a just noticeable difference of its colour. */
const within = 0.5;

const ratios = (reading: GreyReading): ReadonlyMap<string, number> =>
  new Map(
    bars.flatMap((bar) => [
      [`${bar} red`, reading[bar].red / reading[bar].green] as const,
      [`${bar} blue`, reading[bar].blue / reading[bar].green] as const,
    ]),
  );

const controlOf = (id: string): GreyControl =>
  `${id.endsWith('red') ? 'red' : 'blue'} ${id.startsWith('dark') ? 'cut-off' : 'drive'}`;

/**
 * What to turn next so that both bars are grey: red and blue are brought to green, the dark bar by the cut-offs and the bright
 * one by the drives. A ratio of two lights is set by one control and moved by the others, as rails are.
 */
export function greyByMeter(now: GreyReading, touches: readonly GreyTouch[] = []): RailsAdvice {
  const rails = [...ratios(now)].map(([id, reads]): Rail => ({
    id,
    target: 1,
    within: within * (id.endsWith('red') ? noticeable.red : noticeable.blue),
    limit: undefined,
    reads,
    control: controlOf(id),
    clockwiseRaises: undefined,
  }));
  return adviseRails(
    rails,
    touches.map(({ control, turn, before, after }): Touch => ({
      control,
      turn,
      before: ratios(before),
      after: ratios(after),
      end: false,
    })),
  );
}
