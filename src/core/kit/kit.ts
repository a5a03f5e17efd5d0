import { replacing } from '../parts';
import { attempt, Refusal } from '../quantity';
import { sumOf } from '../statistics';
import { type KitLine as SheetKitLine, type Part, type Sheet } from '../sheet';
import { fromMark, type SupplyPart, writePart } from '../supply';

/** How much is replaced while a set is open: what measures bad, the kit of its block besides, or all of the kit. */
export const kitPolicies = ['bad', 'block', 'all'] as const;
export type KitPolicy = (typeof kitPolicies)[number];

/** A part that measured or was seen bad, with its mark where the sheet does not know it. */
export interface BadPart {
  readonly ref: string;
  readonly kind?: Part['kind'];
  readonly mark?: string;
}

/** A part that is to be replaced. */
export interface KitPlace {
  readonly ref: string;
  readonly title: string;
  readonly kind: Part['kind'] | undefined;
  /** Was it found bad, or does the kit say so? */
  readonly bad: boolean;
  /** What is to be bought; undefined where no mark and no kit says it. */
  readonly part: SupplyPart | undefined;
  /** As the kit or its own mark has it, where that cannot be bought by. */
  readonly value: string;
  /** The room there is and what the kit notes: `8 mm can, 3.5 mm pitch`. */
  readonly note: string;
  /** What the sheet warns of with this part. */
  readonly warnings: readonly string[];
  /** Has it a right and a wrong way round? */
  readonly polarised: boolean;
  /** The print of its polarity is not to be trusted. */
  readonly misprinted: boolean;
}

/** The same part once, with how many and for which places. */
export interface KitPurchase {
  readonly typed: string;
  readonly note: string;
  readonly count: number;
  readonly refs: readonly string[];
}

/** What is to be replaced and bought, by a policy. */
export interface Kit {
  readonly places: readonly KitPlace[];
  readonly purchases: readonly KitPurchase[];
  /** Bench work in minutes and money for parts, by what such parts usually take. */
  readonly minutes: number;
  readonly money: number;
}

const oneWay: ReadonlySet<string> = new Set(['electrolytic', 'diode', 'zener', 'bridge']);

/** Rated volts in the steps in which capacitors are made. */
const voltSteps = [6.3, 10, 16, 25, 35, 50, 63, 80, 100, 160, 200, 250, 350, 400, 450, 500, 630];

/** The next step of rated volts above those in a mark: `100u 35V` becomes `100u 50V`. */
const stepUp = (mark: string): string =>
  mark.replace(/(\d+(?:\.\d+)?)\s*V\b/, (whole, volts: string) => {
    const next = voltSteps.find((step) => step > Number(volts) + 1e-9);
    return next === undefined ? whole : `${next}V`;
  });

/** What a kit’s line asks for in a place: its own value, one of several in the order of the places, or the part’s own mark. */
function askedFor({ refs, value }: SheetKitLine, { id, value: mark }: Pick<Part, 'id' | 'value'>): string {
  const several = value.split(/\s+and\s+/);
  const own = several.length === refs.length && several.length > 1 ? several[refs.indexOf(id)]! : value;
  // `same value, one voltage step up, 105 °C`: the part’s own mark, with what follows.
  const [, rest] = /^same value,?\s*(.*)$/i.exec(own) ?? [];
  if (rest === undefined) return own;
  const stepped = /one voltage step up,?\s*/i.test(rest);
  return `${stepped ? stepUp(mark) : mark} ${rest.replace(/one voltage step up,?\s*/i, '').replaceAll(',', ' ')}`.trim();
}

/** A part by a mark with what besides is asked of it; by its mark alone where the rest is in nobody’s words. */
function buyable(kind: Part['kind'], asked: string, mark: string): SupplyPart | undefined {
  const read = attempt(() => fromMark(kind, asked));
  return (read instanceof Refusal ? undefined : read) ?? fromMark(kind, mark);
}

/**
 * What to replace while a set is open, and what to buy for it.
 *
 * @param found what measured or was seen bad
 */
export function kitOf(sheet: Sheet, found: readonly BadPart[], policy: KitPolicy): Kit {
  const blockOf = (ref: string) => sheet.parts.get(ref)?.block;
  const bad = new Set(found.map(({ ref }) => ref));
  const blocks = new Set([...bad].map(blockOf));
  const ofKit = sheet.kit
    .flatMap(({ refs }) => refs)
    .filter((ref) => policy === 'all' || (policy === 'block' && blocks.has(blockOf(ref)) && sheet.parts.has(ref)));
  const places = [...new Set([...bad, ...ofKit])].map((ref) =>
    placeOf(sheet, found.find((one) => one.ref === ref) ?? { ref }, bad.has(ref)),
  );
  const purchases = new Map<string, KitPurchase>();
  for (const { part, note, ref } of places) {
    if (!part) continue;
    const typed = writePart(part);
    const key = `${typed}|${note}`;
    const known = purchases.get(key) ?? { typed, note, count: 0, refs: [] };
    purchases.set(key, { ...known, count: known.count + 1, refs: [...known.refs, ref] });
  }
  const work = (which: 'minutes' | 'money') => sumOf(places, ({ kind }) => (kind ? replacing(kind)[which] : 0));
  return { places, purchases: [...purchases.values()], minutes: work('minutes'), money: work('money') };
}

function placeOf(sheet: Sheet, { ref, kind: measured, mark = '' }: BadPart, bad: boolean): KitPlace {
  const known = sheet.parts.get(ref);
  const kind = known?.kind ?? measured;
  const own = known?.value ?? mark;
  const line = sheet.kit.find(({ refs }) => refs.includes(ref));
  const asked = line ? askedFor(line, { id: ref, value: own }) : own;
  const part = kind && buyable(kind, asked, own);
  const quirks = sheet.quirks.filter(({ title, note }) => `${title} ${note}`.split(/[^\w-]+/).includes(ref));
  const note = line?.note ?? '';
  const warnings = quirks.map((quirk) => quirk.note);
  const polarised = kind !== undefined && oneWay.has(kind) && part?.figures.bipolar !== true;
  return {
    ref,
    title: known?.title ?? ref,
    kind,
    bad,
    part,
    value: asked,
    note,
    warnings,
    polarised,
    misprinted: polarised && [note, ...warnings].some((words) => /polarity/i.test(words) && /wrong/i.test(words)),
  };
}
