import { type Figure, type FigureValue, type Size } from '../part/figure';
import { type SupplyPart } from '../part/readPart';
import { type Place } from './place';

/** How a candidate stands in one respect, the best first. */
export const verdicts = ['better', 'fits', 'watch', 'no'] as const;
export type SubstituteVerdict = (typeof verdicts)[number];

/** In which order what would do is taken from a shelf: like for like first, what is better than it need be is spared. */
export const nearness: Readonly<Record<SubstituteVerdict, number>> = { fits: 0, better: 1, watch: 2, no: 3 };

/** What a rule says of one figure. */
export interface Finding {
  readonly verdict: SubstituteVerdict;
  readonly reason: string;
  /** What has to be altered for it to do. */
  readonly alter?: string;
}

/** What a rule looks at. */
export interface Asked {
  readonly original: SupplyPart;
  readonly candidate: SupplyPart;
  readonly place: Place;
  /** The figure as it is called and written. */
  readonly figure: Figure;
}

/** Judges one figure of a candidate; undefined where it has nothing to say. */
export type Rule = (was: FigureValue | undefined, is: FigureValue | undefined, asked: Asked) => Finding | undefined;

const fits = (reason: string): Finding => ({ verdict: 'fits', reason });
const better = (reason: string): Finding => ({ verdict: 'better', reason });
export const no = (reason: string): Finding => ({ verdict: 'no', reason });
export const watch = (reason: string, alter?: string): Finding => ({
  verdict: 'watch',
  reason,
  ...(alter === undefined ? {} : { alter }),
});

const same = 1 + 1e-9;
const unsaid = (needs: string) => watch(`the new one does not say; the place needs ${needs}`);
/** A ratio in words. */
const times = (ratio: number) => Number(ratio.toPrecision(2)).toString();

interface AtLeastTold {
  /** What the place asks of the figure. */
  readonly stress?: (place: Place, asked: Asked) => number | undefined;
  /** How much more than the stress it has to bear. */
  readonly margin?: number;
  /** May less than the original do where the place shows that it asks for little? */
  readonly byPlace?: (asked: Asked) => boolean;
  /** From this share of the original on, less is only to be watched. */
  readonly soft?: number;
  /** Worth calling better from this much more. */
  readonly better?: number;
}

/** More is at least as good. */
export const atLeast =
  ({ stress, margin = 1, byPlace = () => true, soft = 1, better: much = 1.25 }: AtLeastTold = {}): Rule =>
  (was, is, asked) => {
    const { figure } = asked;
    const o = was as number | undefined;
    const c = is as number | undefined;
    const needed = stress?.(asked.place, asked);
    if (o === undefined && needed === undefined) return undefined;
    const write = (value: number) => figure.write(value);
    if (c === undefined)
      return unsaid(
        `${o === undefined ? '' : `${write(o)}, as the old one had`}${o !== undefined && needed !== undefined ? ', and ' : ''}${needed === undefined ? '' : `more than ${write(needed)}`}`,
      );
    if (needed !== undefined && c * same < needed) return no(`${write(c)}, and the place puts ${write(needed)} on it`);
    const tight = needed !== undefined && c * same < margin * needed;
    if (o !== undefined && c * same < o) {
      if (needed === undefined || !byPlace(asked))
        return c * same >= soft * o
          ? watch(`${write(c)} where the old one had ${write(o)}`)
          : no(`${write(c)}, less than the ${write(o)} of the old one`);
      return tight
        ? watch(`${write(c)} for ${write(needed)} in the place: less to spare than is usual (×${margin})`)
        : fits(`less than the ${write(o)} of the old one, and ${times(c / needed)} times what the place puts on it`);
    }
    if (tight) return watch(`${write(c)} for ${write(needed)} in the place: less to spare than is usual (×${margin})`);
    const than = o ?? needed!;
    return c > much * than * same
      ? better(`${write(c)}, more than ${write(than)}`)
      : fits(`${write(c)} for ${write(than)}`);
  };

interface AtMostTold {
  /** Up to this many times the original it is only to be watched. */
  readonly soft?: number;
  /** Is more simply wrong here, rather than beyond `soft`? */
  readonly strict?: (asked: Asked) => boolean;
  /** Under this share of the original, less is to be watched as well, and why. */
  readonly least?: { readonly share: number; readonly why: string; readonly when?: (asked: Asked) => boolean };
  readonly better?: number;
}

/** Less is at least as good, down to what upsets the rest. */
export const atMost =
  ({ soft = 1.3, strict = () => false, least, better: much = 0.75 }: AtMostTold = {}): Rule =>
  (was, is, asked) => {
    const o = was as number | undefined;
    const c = is as number | undefined;
    if (o === undefined) return undefined;
    const write = (value: number) => asked.figure.write(value);
    if (c === undefined) return unsaid(`${write(o)} or less, as the old one had`);
    if (c > o * same)
      return c <= soft * o * same && !strict(asked)
        ? watch(`${write(c)}, a little more than ${write(o)}`)
        : no(`${write(c)}, more than the ${write(o)} of the old one`);
    if (least && c < least.share * o && (least.when?.(asked) ?? true))
      return watch(`${write(c)} for ${write(o)}: ${least.why}`);
    return c < much * o ? better(`${write(c)}, less than ${write(o)}`) : fits(`${write(c)} for ${write(o)}`);
  };

interface NearTold {
  /** Shares below and above the original within which it does, and within which it is to be watched. */
  readonly within: (asked: Asked) => readonly [below: number, above: number];
  readonly watched?: (asked: Asked) => readonly [below: number, above: number];
  readonly why?: (asked: Asked) => string | undefined;
}

/** The same within bounds on both sides. */
export const near =
  ({ within, watched = within, why = () => undefined }: NearTold): Rule =>
  (was, is, asked) => {
    const o = was as number | undefined;
    const c = is as number | undefined;
    const write = (value: number) => asked.figure.write(value);
    if (o === undefined) return undefined;
    if (c === undefined) return unsaid(`${write(o)}, as the old one had`);
    const off = c / o - 1;
    const inside = ([below, above]: readonly [number, number]) => off >= -below - 1e-9 && off <= above + 1e-9;
    const because = why(asked);
    const said = `${write(c)} for ${write(o)}${Math.abs(off) < 1e-9 ? '' : `, ${times(Math.abs(off) * 100)} % ${off > 0 ? 'more' : 'less'}`}`;
    if (inside(within(asked))) return fits(said);
    const reason = because === undefined ? said : `${said}: ${because}`;
    return inside(watched(asked)) ? watch(reason) : no(reason);
  };

/** The same word; other pairs as told, everything else does not do. */
export const sameWord =
  (
    others: Readonly<Record<string, Finding>> = {},
    {
      otherwise = no,
      missing = 'watch',
    }: { readonly otherwise?: (reason: string) => Finding; readonly missing?: 'watch' | 'skip' } = {},
  ): Rule =>
  (was, is) => {
    if (was === undefined) return undefined;
    const o = String(was);
    if (is === undefined) return missing === 'skip' ? undefined : unsaid(o);
    const c = String(is);
    if (c === o) return fits(`${c}, the same`);
    return others[`${o}>${c}`] ?? otherwise(`${c} where the old one was ${o}`);
  };

/** What the original has the candidate must have, or `lacking`; more is as told. */
export const has =
  (lacking: (asked: Asked) => Finding, surplus: (asked: Asked) => Finding | undefined = () => undefined): Rule =>
  (was, is, asked) => {
    if (was !== undefined && is === undefined) return lacking(asked);
    if (was === undefined && is !== undefined) return surplus(asked);
    return was === undefined ? undefined : fits(`${asked.figure.title}, as the old one`);
  };

/** Ranges that must overlap well. */
export const overlaps =
  (least: number, most: number, tooMuch: string): Rule =>
  (was, is, { figure }) => {
    const o = was as readonly [number, number] | undefined;
    const c = is as readonly [number, number] | undefined;
    if (!o) return undefined;
    const write = (value: readonly [number, number]) => figure.write(value);
    if (!c) return unsaid(`${write(o)}, as the old one had`);
    if (c[1] < least * o[0]) return no(`${write(c)}, under the ${write(o)} of the old one`);
    if (c[0] < least * o[0]) return watch(`${write(c)} for ${write(o)}: pick one from the upper end`);
    if (c[0] > most * o[1]) return no(`${write(c)}, far over ${write(o)}: ${tooMuch}`);
    if (c[1] > most * o[1]) return watch(`${write(c)} for ${write(o)}: ${tooMuch}`);
    return fits(`${write(c)} for ${write(o)}`);
  };

/** A slightly larger body is fine where it fits the space, in millimetres. */
const bodySlack = { fits: 0.6, watch: 3 };
const pitchSlack = { fits: 0.4, bend: 2.7 };

/** The body must go where the old one sat, its leads into the same holes. */
export const intoTheHole: Rule = (was, is, { place }) => {
  const space = place.room ?? (was as Size | undefined);
  const c = is as Size | undefined;
  if (!space) return undefined;
  if (!c) return watch(`the new one does not say; there is room for ${space.body.join(' × ')} mm`);
  const over = Math.max(...c.body.map((side, at) => side - (space.body[at] ?? Infinity)));
  const apart = space.pitch === undefined || c.pitch === undefined ? 0 : c.pitch - space.pitch;
  const said = `${c.body.join(' × ')} mm for ${space.body.join(' × ')}`;
  if (over > bodySlack.watch) return no(`${said}: ${times(over)} mm too much`);
  if (Math.abs(apart) > pitchSlack.bend) return no(`leads ${c.pitch} mm apart, the holes ${space.pitch}`);
  if (Math.abs(apart) > pitchSlack.fits)
    return watch(`leads ${c.pitch} mm apart, the holes ${space.pitch}`, `bend the leads to ${space.pitch} mm`);
  if (over > bodySlack.fits) return watch(`${said}: see that it clears its neighbours`);
  return fits(said);
};
