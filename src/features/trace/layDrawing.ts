import ELK, { type ElkNode, type ElkPort } from 'elkjs/lib/elk.bundled.js';
import { type Point } from '@/core/plane';
import { isBody, type Drawing, type DrawnPart, type DrawnPin } from '@/core/tracing';

/** A symbol with where its pins leave it, from its upper left corner. */
export interface LaidPart extends DrawnPart {
  readonly at: Point;
  readonly size: { readonly width: number; readonly height: number };
  /** By the pin’s name. */
  readonly ends: ReadonlyMap<string, Point>;
}

/** A drawing laid out, in units of the drawing. */
export interface LaidDrawing {
  readonly width: number;
  readonly height: number;
  readonly parts: readonly LaidPart[];
  readonly wires: readonly { readonly node: string; readonly points: readonly Point[] }[];
  /** Where more than two wires meet. */
  readonly joints: readonly Point[];
}

/** Measures of symbols: the line that pins stand on, room for names beside it, leads above and below. */
export const measures = { axis: 26, twoPins: { width: 112, height: 88 }, threePins: { width: 130, height: 96 } };
export const chipMeasures = { lead: 46, body: 88, row: 22, edge: 14 };

function sizeOf({ part, pins }: DrawnPart): LaidPart['size'] {
  if (isBody(part)) {
    const rows = Math.max(
      ...(['left', 'right'] as const).map((side) => pins.filter((pin) => pin.side === side).length),
    );
    const { lead, body, row, edge } = chipMeasures;
    return { width: 2 * lead + body, height: rows * row + 2 * edge };
  }
  return part.pins.length > 2 ? measures.threePins : measures.twoPins;
}

function endOf(drawn: DrawnPart, { side, pin }: DrawnPin): Point {
  const { width, height } = sizeOf(drawn);
  const { axis } = measures;
  if (isBody(drawn.part)) {
    const row = drawn.pins.filter((one) => one.side === side).findIndex((one) => one.pin === pin);
    // Pins of the other row are counted upwards, as on the chip itself.
    const rows = drawn.pins.filter((one) => one.side === side).length;
    const down = side === 'right' ? rows - 1 - row : row;
    return { x: side === 'left' ? 0 : width, y: chipMeasures.edge + chipMeasures.row * (down + 0.5) };
  }
  if (side === 'above') return { x: axis, y: 0 };
  if (side === 'below') return { x: axis, y: height };
  return { x: side === 'left' ? 0 : width, y: height / 2 };
}

const elkSides = { above: 'NORTH', below: 'SOUTH', left: 'WEST', right: 'EAST' } as const;

const options = {
  'elk.algorithm': 'layered',
  'elk.direction': 'DOWN',
  'elk.edgeRouting': 'ORTHOGONAL',
  'elk.layered.mergeHyperedges': 'true',
  'elk.layered.nodePlacement.strategy': 'NETWORK_SIMPLEX',
  'elk.layered.thoroughness': '12',
  'elk.spacing.nodeNode': '14',
  'elk.spacing.edgeNode': '12',
  'elk.spacing.edgeEdge': '12',
  'elk.layered.spacing.nodeNodeBetweenLayers': '26',
  'elk.padding': '[top=10,left=14,bottom=10,right=14]',
};

/** Lays out a drawing: a layered layout from rails down to the ground. */
export async function layDrawing(drawing: Drawing): Promise<LaidDrawing> {
  const root: ElkNode = {
    id: 'drawing',
    layoutOptions: options,
    children: drawing.parts.map((drawn): ElkNode => {
      const ports = drawn.pins.map((pin): ElkPort => ({
        id: `${drawn.part.ref}.${pin.pin}`,
        width: 0,
        height: 0,
        ...endOf(drawn, pin),
        layoutOptions: { 'elk.port.side': elkSides[pin.side] },
      }));
      const constraint = { 'elk.portConstraints': 'FIXED_POS' };
      return { id: drawn.part.ref, ...sizeOf(drawn), ports, layoutOptions: constraint };
    }),
    edges: drawing.wires.map(({ node, from, to }, index) => ({
      id: `${node} ${index}`,
      sources: [from],
      targets: [to],
    })),
  };
  const laid = await new ELK().layout(root);
  const places = new Map((laid.children ?? []).map(({ id, x = 0, y = 0 }) => [id, { x, y }]));
  const wires = (laid.edges ?? []).flatMap(({ id, sections = [] }) =>
    sections.map(({ startPoint, bendPoints = [], endPoint }) => ({
      node: id.split(' ')[0]!,
      points: [startPoint, ...bendPoints, endPoint],
    })),
  );
  return {
    width: laid.width ?? 0,
    height: laid.height ?? 0,
    parts: drawing.parts.map((drawn) => ({
      ...drawn,
      at: places.get(drawn.part.ref)!,
      size: sizeOf(drawn),
      ends: new Map(drawn.pins.map((pin) => [pin.pin, endOf(drawn, pin)])),
    })),
    wires,
    joints: (laid.edges ?? []).flatMap(({ junctionPoints = [] }) => junctionPoints),
  };
}
