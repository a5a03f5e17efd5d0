import { type Driver } from '../sheet';

/** A dark or bright band on the screen: where it begins and ends, as shares of the height from the top or of the width from the left. */
export interface Band {
  readonly from: number;
  readonly to: number;
}

/** The part of a band that one board drives. */
export interface BandPart {
  readonly driver: Driver;
  /** First and last ribbon of the board that it takes in, from 1. */
  readonly ribbons: readonly [first: number, last: number];
  /** First and last output of the first and of the last ribbon, from 1. */
  readonly outputs: readonly [first: number, last: number];
  /** What it is, as far as its edges tell. */
  readonly kind: BandKind;
}

/**
 * `line`: a single row or column; `outputs`: some of a ribbon’s; `ribbon`: a whole one; `ribbons`: several whole ones;
 * `onwards`: whole ribbons from one to the end of the board; `board`: all of it.
 */
export type BandKind = 'line' | 'outputs' | 'ribbon' | 'ribbons' | 'onwards' | 'board';

/** An edge that is pointed at may be off by this share of the screen. */
const pointing = 0.006;
/** Of a band that leaves a board’s half by less than this share of a ribbon, the rest is a slip of the hand. */
const leastOfRibbon = 0.12;

/** The stretch of the screen that a board drives, as shares of it. */
export function stretchOf({ half }: Driver): Band {
  return { from: half === 'second' ? 0.5 : 0, to: half === 'first' ? 0.5 : 1 };
}

/**
 * Which ribbons and outputs a band belongs to, board by board. Ribbons share a board’s lines evenly, in the order of
 * the screen.
 *
 * @param drivers boards that drive the direction the band cuts across
 */
export function placeBand({ from, to }: Band, drivers: readonly Driver[]): BandPart[] {
  const [begins, ends] = from <= to ? [from, to] : [to, from];
  return drivers.flatMap((driver): BandPart[] => {
    const { lines, ribbons } = driver;
    const board = stretchOf(driver);
    const length = board.to - board.from;
    const inBoard = (at: number) => Math.min(1, Math.max(0, (at - board.from) / length)) * ribbons;
    const slack = (pointing / length) * ribbons;
    // In ribbons from the beginning of the board; an edge near the border of two is that border, unless a few lines are meant.
    const thin = inBoard(ends) - inBoard(begins) <= 2 * slack;
    const snapped = (at: number) => (!thin && Math.abs(at - Math.round(at)) <= slack ? Math.round(at) : at);
    const [first, last] = [snapped(inBoard(begins)), snapped(inBoard(ends))];
    const perRibbon = lines / ribbons;
    if (inBoard(ends) <= inBoard(begins)) return [];
    const reachesOver = begins < board.from || ends > board.to;
    if (reachesOver && last - first < leastOfRibbon) return [];
    const firstLine = Math.min(lines - 1, Math.round(first * perRibbon));
    const lastLine = Math.max(firstLine, Math.round(last * perRibbon) - 1);
    const ribbonOf = (at: number) => Math.min(ribbons, Math.floor(at / perRibbon) + 1);
    const outputOf = (at: number) => at - Math.ceil((ribbonOf(at) - 1) * perRibbon) + 1;
    return [
      {
        driver,
        ribbons: [ribbonOf(firstLine), ribbonOf(lastLine)],
        outputs: [outputOf(firstLine), outputOf(lastLine)],
        kind: firstLine === lastLine ? 'line' : kindOf(first, last, ribbons),
      },
    ];
  });
}

/** What lies between two places of a board, counted in its ribbons. */
function kindOf(first: number, last: number, ribbons: number): BandKind {
  if (!Number.isInteger(first) || !Number.isInteger(last)) return 'outputs';
  if (last - first === ribbons) return 'board';
  if (last - first === 1) return 'ribbon';
  return last === ribbons ? 'onwards' : 'ribbons';
}

/** What a part of a band is, in words: `ribbon 2 of 4`, `outputs 12 to 40 of ribbon 3`. */
export function partText({ driver, ribbons: [first, last], outputs: [from, to], kind }: BandPart): string {
  const of = driver.ribbons === 1 ? 'its ribbon' : `ribbon ${first} of ${driver.ribbons}`;
  switch (kind) {
    case 'line':
      return `output ${from} of ${of}`;
    case 'outputs':
      return first === last
        ? `outputs ${from} to ${to} of ${of}`
        : `output ${from} of ribbon ${first} to output ${to} of ribbon ${last}`;
    case 'ribbon':
      return of;
    case 'ribbons':
      return `ribbons ${first} to ${last} of ${driver.ribbons}`;
    case 'onwards':
      return `ribbon ${first} and all after it, of ${driver.ribbons}`;
    case 'board':
      return 'all of its ribbons';
  }
}

/** What to do about a part of a band, in order: what is loose before what is broken, what can be undone before what cannot. */
export function stepsFor({ driver, ribbons: [first, last], kind }: BandPart): readonly string[] {
  const ribbon = driver.ribbons === 1 ? 'the ribbon' : `ribbon ${first}`;
  const reseat = `Plug out, stores proven: take ${ribbon} out, look at its contacts and latch, clean them, seat it to full depth. Switch on.`;
  const swapEnds = `Does the band move when ${ribbon} is pressed at its plug? Its contacts. At the glass? Its bond to the glass, which nothing repairs.`;
  switch (kind) {
    case 'line':
      return [
        reseat,
        `Its pad against its neighbours, ohms and diode, ${ribbon} out: unlike them, the driver; like them, the ribbon or the electrode in the glass.`,
      ];
    case 'outputs':
      return [
        reseat,
        swapEnds,
        'The pads of these outputs against the ones beside them, ohms and diode: a network or a stretch of the chip shows there.',
      ];
    case 'ribbon':
      return [
        reseat,
        swapEnds,
        `Row by row the pads of ${ribbon} against those of another: all alike, its supply, enable or data; unlike, its driver chip or network.`,
      ];
    case 'onwards':
      return [
        reseat,
        `Data goes from chip to chip: it stops at the chip of ${ribbon} or leaves the one before it. Its data, clock and supply pins against those of the last good one.`,
      ];
    case 'ribbons':
      return [
        reseat,
        'What these ribbons share and the others do not: a supply or enable of their chips, a connector between two boards.',
        ...(first === 1
          ? [
              `Where data comes in at the other end it stops at the chip of ribbon ${last}, or leaves the one before it.`,
            ]
          : []),
      ];
    case 'board':
      return [
        driver.plug === undefined
          ? 'Plug out, stores proven: reseat the plug that feeds the board.'
          : `Plug out, stores proven: reseat ${driver.plug}, which feeds the board.`,
        'The supplies and the command that the board gets, at its plug: it is no ribbon that takes all of them.',
      ];
  }
}
