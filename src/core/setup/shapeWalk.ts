import { type BodyNamed, type LogEntry, standing } from '../log';
import { type CrosshatchSaid } from './crosshatchSaid';
import { type Shape, type ShapeControl, type ShapeTouch, termIds } from './geometry';

/** How the shape of a set’s picture stands by its record. */
export interface ShapeWalk {
  /** As it was measured first, and last. */
  readonly first: Shape | undefined;
  readonly latest: Shape | undefined;
  /** Millimetres that the colours lay apart, then and now. */
  readonly colours: readonly [number | undefined, number | undefined];
  /** The photographs that these were read from. */
  readonly photos: readonly [string | undefined, string | undefined];
  /** Controls of this chassis, without those that were looked for in vain. */
  readonly controls: readonly ShapeControl[];
  readonly touches: readonly ShapeTouch[];
  /** Controls turned since it was measured last: what they did is seen in the next photograph. */
  readonly open: readonly string[];
}

const shapeIn = ({ off, furthest, unexplained, terms }: BodyNamed<'shape'>): Shape => ({
  off,
  furthest,
  unexplained,
  terms: new Map(
    terms.flatMap(({ term, percent, spread }) => {
      const id = termIds.find((one) => one === term);
      return id ? [[id, { percent, spread }] as const] : [];
    }),
  ),
});

/** The line that records a measured shape. */
export function shapeLine({ shape, convergence }: Pick<CrosshatchSaid, 'shape' | 'convergence'>): BodyNamed<'shape'> {
  const { off, furthest, unexplained, terms } = shape;
  return {
    kind: 'shape',
    off,
    furthest,
    unexplained,
    terms: [...terms].map(([term, { percent, spread }]) => ({ term, percent, spread })),
    ...(convergence && { colours: convergence.worst.millimetres }),
  };
}

/**
 * What was measured and what was turned between; two controls turned between two photographs teach nothing of either.
 *
 * @param controls of the chassis, as its sheet has them
 */
export function shapeWalk(log: readonly LogEntry[], controls: readonly ShapeControl[]): ShapeWalk {
  const names = new Set(controls.map(({ control }) => control));
  const absent = new Set<string>();
  const touches: ShapeTouch[] = [];
  let [first, latest]: (Shape | undefined)[] = [];
  let colours: readonly [number | undefined, number | undefined] = [undefined, undefined];
  let photos: readonly [string | undefined, string | undefined] = [undefined, undefined];
  let open: { readonly control: string; readonly end: boolean }[] = [];
  for (const { body } of standing(log, 'shape', 'turned')) {
    if (body.kind === 'turned') {
      if (body.absent) absent.add(body.control);
      else if (names.has(body.control)) open.push(body);
      continue;
    }
    const now = shapeIn(body);
    const [only] = open;
    // One taken without the corners of the glass knows fewer errors than one with them: no comparing.
    const alike = latest?.terms.size === now.terms.size;
    if (latest && alike && only && open.length === 1) touches.push({ ...only, before: latest, after: now });
    first ??= now;
    latest = now;
    colours = [colours[0] ?? body.colours, body.colours];
    photos = [photos[0] ?? body.photo, body.photo];
    open = [];
  }
  return {
    first,
    latest,
    colours,
    photos,
    controls: controls.filter(({ control }) => !absent.has(control)),
    touches,
    open: open.map(({ control }) => control),
  };
}
