import { certain, type Corners, type Crossing, type Pattern, screenOf } from '../crosshatch';
import { type ColourOffset, convergenceOf, type ConvergenceState } from './convergence';
import {
  adviseShape,
  type Seen,
  type Shape,
  type ShapeByLengths,
  shapeOf,
  straightened,
  type ShapeControl,
  type TermId,
  termIds,
  terms,
  wantedOf,
} from './geometry';
import { type Sheet } from '../sheet';
import { threeTubes } from './threeTubes';

/** The screen that was photographed. */
export interface Screen {
  /** Its height as a share of its width. */
  readonly aspect: number;
  /** Its visible width in millimetres. */
  readonly millimetres: number;
  /** By so much of its size the picture is to reach over the edge of the glass. */
  readonly overscan: number;
  readonly corners?: Corners;
  /** How many tubes make the picture: one with three guns, or one a colour. */
  readonly tubes?: 1 | 3;
}

/** What a photographed crosshatch says of a set’s picture. */
export interface CrosshatchSaid {
  readonly shape: Shape;
  /** Errors that can be told from noise, the largest first. */
  readonly errors: readonly {
    readonly id: TermId;
    readonly title: string;
    readonly percent: number;
    readonly spread: number;
    readonly words: string;
  }[];
  readonly convergence: (ConvergenceState & { readonly remaining?: number }) | undefined;
  /** Where crossings lie, in shares of the screen’s width from its middle; without corners, as a camera straight before it would see them. */
  readonly seen: readonly Seen[];
}

/** Smaller errors of shape nobody sees, in percent of the width. */
const visible = 0.3;

export function crosshatchSaid(crossings: readonly Crossing[], pattern: Pattern, screen: Screen): CrosshatchSaid {
  const { across, down } = pattern;
  const { aspect, corners } = screen;
  const sure = crossings.filter(({ certainty }) => certainty >= certain);
  const flat = corners ? screenOf(corners) : byThePattern(sure, wantedOf(across, down, aspect).wide);
  const onScreen = ({ x, y }: { readonly x: number; readonly y: number }) => {
    const at = flat({ x, y });
    return corners ? { x: at.x - 0.5, y: (at.y - 0.5) * aspect } : at;
  };
  const placed = sure.map((crossing) => ({
    crossing,
    place: { u: (2 * crossing.column) / (across - 1) - 1, v: (2 * crossing.row) / (down - 1) - 1 },
  }));
  const seen = placed.map(({ crossing, place }): Seen => ({ ...place, ...onScreen(crossing) }));
  const wanted = wantedOf(across, down, aspect, screen.overscan);
  const shape = shapeOf(seen, wanted, corners !== undefined);
  const offsets = (colour: 'red' | 'blue') =>
    placed.flatMap(({ crossing, place }): ColourOffset[] => {
      const by = crossing[colour];
      if (!by) return [];
      const [own, green] = [onScreen({ x: crossing.x + by.x, y: crossing.y + by.y }), onScreen(crossing)];
      return [{ ...place, x: (own.x - green.x) * screen.millimetres, y: (own.y - green.y) * screen.millimetres }];
    });
  const [red, blue] = [offsets('red'), offsets('blue')];
  return {
    shape,
    errors: errorsOf(shape),
    convergence: convergenceSaid(red, blue, screen.tubes),
    seen: corners ? seen : straightened(seen, wanted),
  };
}

/** Errors that can be told from noise, the largest first. */
function errorsOf(shape: Shape): CrosshatchSaid['errors'] {
  return [...shape.terms]
    .filter(([, { percent, spread }]) => Math.abs(percent) >= Math.max(visible, 3 * spread))
    .sort(([, a], [, b]) => Math.abs(b.percent) - Math.abs(a.percent))
    .map(([id, { percent, spread }]) => {
      const { title, over, under } = terms[id];
      return { id, title, percent, spread, words: percent > 0 ? over : under };
    });
}

/** What lengths along the middle of a crosshatch say of a set’s picture. */
export const lengthsSaid = ({ shape, seen }: Pick<ShapeByLengths, 'shape' | 'seen'>): CrosshatchSaid => ({
  shape,
  errors: errorsOf(shape),
  convergence: undefined,
  seen,
});

/** Fewer crossings with their colours do not tell what to move: twelve, or three a zone where each tube has its own raster. */
const enough = { 1: 12, 3: 45 } as const;

function convergenceSaid(red: readonly ColourOffset[], blue: readonly ColourOffset[], tubes: 1 | 3 = 1) {
  if (Math.min(red.length, blue.length) < enough[tubes]) return undefined;
  return tubes === 3 ? threeTubes({ red, blue }) : convergenceOf(red, blue);
}

/** Without corners lengths are measured by the pattern itself, about its middle. */
function byThePattern(sure: readonly Crossing[], wide: number) {
  const xs = sure.map(({ x }) => x);
  const ys = sure.map(({ y }) => y);
  const [left, right, top, bottom] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const scale = wide / Math.max(1, right - left);
  return ({ x, y }: { readonly x: number; readonly y: number }) => ({
    x: (x - (left + right) / 2) * scale,
    y: (y - (top + bottom) / 2) * scale,
  });
}

/** Errors that hardly any chassis has a control for. */
const uncontrolled: ReadonlySet<TermId> = new Set(['corners', 'acrossS']);

/** One control an error: what a set has where its sheet says nothing. */
export const anyControls: readonly ShapeControl[] = termIds
  .filter((id) => !uncontrolled.has(id))
  .map((term) => ({ control: terms[term].control, term }));

/** The controls of a chassis: those that the steps of its sheet name, and the ordinary ones for what no step speaks of. */
export function shapeControls({ setUp }: Pick<Sheet, 'setUp'>): readonly ShapeControl[] {
  const named = new Map(
    setUp.flatMap(({ controls = {} }) => Object.entries(controls) as [TermId, string | undefined][]),
  );
  return termIds.flatMap((term) => {
    const control = named.get(term) ?? (uncontrolled.has(term) ? undefined : terms[term].control);
    return control === undefined ? [] : [{ control, term }];
  });
}

/** What to move first for a shape, where nothing is known of the set’s controls. */
export const firstMove = (shape: Shape) =>
  adviseShape(
    shape,
    anyControls.filter(({ term }) => shape.terms.has(term)),
  );
