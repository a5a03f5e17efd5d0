import 'server-only';
import ELK, { type ElkExtendedEdge, type ElkNode } from 'elkjs/lib/elk.bundled.js';
import { kept, Recent } from '@/core/recent';
import { type Sheet } from '@/core/sheet';
import { keptWork } from '@/workshop/worked/server';
import { lineGraph, screenId } from './graph';
import { type Line, type LineBlock, type LineWire } from './line';

/** Sizes that keep the names readable at an arm's length. */
const blockHeight = 26;
/** Width of a letter of a block's name, and of what stands beside the name. */
const letter = 7.1;
const margin = 14;

/** The shape of the place the line is drawn in; layers are spread until it is filled. */
const place = { width: 1020, height: 240 };
/** Space between layers and between blocks of one layer. */
interface Spacing {
  readonly between: number;
  readonly within: number;
}

const tightest: Spacing = { between: 22, within: 9 };
/** Blocks of a layer are not pulled further apart than this. */
const loosest = 22;
const plug = { width: 24, height: 24 };
const screen = { width: 2, height: 150 };
/** Room before the screen for the figures of what reaches it. */
const approach = 44;

const options = (spacing: Spacing) => ({
  'elk.algorithm': 'layered',
  'elk.direction': 'RIGHT',
  'elk.edgeRouting': 'ORTHOGONAL',
  'elk.partitioning.activate': 'true',
  'elk.layered.mergeHyperedges': 'true',
  'elk.layered.nodePlacement.strategy': 'NETWORK_SIMPLEX',
  'elk.layered.crossingMinimization.forceNodeModelOrder': 'false',
  'elk.layered.considerModelOrder.strategy': 'NODES_AND_EDGES',
  'elk.layered.thoroughness': '7',
  'elk.spacing.nodeNode': String(spacing.within),
  'elk.spacing.edgeNode': '6',
  'elk.spacing.edgeEdge': '6',
  'elk.layered.spacing.nodeNodeBetweenLayers': String(spacing.between),
  'elk.layered.spacing.edgeNodeBetweenLayers': '8',
  'elk.layered.spacing.edgeEdgeBetweenLayers': '5',
  'elk.padding': '[top=6,left=4,bottom=6,right=0]',
});

const layouts = new WeakMap<Sheet, Promise<Line>>();

/** Where everything of the line stands, worked out once a sheet by a layered layout of its own graph. */
export function layoutLine(sheet: Sheet): Promise<Line> {
  return kept(layouts, sheet, () => arrange(sheet));
}

async function arrange(sheet: Sheet): Promise<Line> {
  const tight = await layOut(sheet, tightest);
  const scale = Math.min(place.width / tight.width, place.height / tight.height);
  const columns = new Map<number, number>();
  for (const { x } of tight.blocks) columns.set(Math.round(x), (columns.get(Math.round(x)) ?? 0) + 1);
  const rows = Math.max(...columns.values());
  const spare = { x: place.width / scale - tight.width, y: place.height / scale - tight.height };
  if (spare.x < 20 && spare.y < 20) return tight;
  return layOut(sheet, {
    between: tightest.between + spare.x / columns.size,
    within: tightest.within + Math.min(loosest, spare.y / rows),
  });
}

/** Sets of a kind have the same line, whatever their values are; so many lines are kept. */
const keptLines = 60;
const lines = new Recent<string, Promise<ElkNode>>(keptLines);

function laidOut(
  root: ElkNode,
  keep: { readonly kind: 'line' | 'spread line'; readonly sheet: string },
): Promise<ElkNode> {
  const told = JSON.stringify(root);
  return kept(lines, told, () => keptWork(keep.kind, keep.sheet, told, () => new ELK().layout(root)));
}

async function layOut(sheet: Sheet, spacing: Spacing): Promise<Line> {
  const graph = lineGraph(sheet);
  const longest = Math.max(...graph.blocks.map((id) => sheet.blocks.get(id)!.short.length));
  const block = { width: longest * letter + margin, height: blockHeight };
  const last = Math.max(...graph.column.values()) + 1;
  const node = (id: string, column: number, size: { width: number; height: number }): ElkNode => ({
    id,
    ...size,
    layoutOptions: { 'elk.partitioning.partition': String(column) },
  });
  const root: ElkNode = {
    id: 'line',
    layoutOptions: options(spacing),
    children: [
      ...graph.blocks.map((id) => node(id, graph.column.get(id)!, id === graph.plug ? plug : block)),
      node(screenId, last, screen),
    ],
    edges: graph.wires.flatMap((wire) =>
      wire.to.map((to): ElkExtendedEdge => ({ id: `${wire.net}>${to}`, sources: [wire.from], targets: [to] })),
    ),
  };
  const laid = await laidOut(root, { kind: spacing === tightest ? 'line' : 'spread line', sheet: sheet.id });
  const blocks = (laid.children ?? [])
    .filter(({ id }) => id !== screenId)
    .map(({ id, x = 0, y = 0, width = 0, height = 0 }): LineBlock => ({
      id,
      title: sheet.blocks.get(id)!.short,
      x,
      y,
      width,
      height,
    }));
  const wires = (laid.edges ?? []).map((edge): LineWire => {
    const points = (edge.sections ?? []).flatMap((section) => [
      section.startPoint,
      ...(section.bendPoints ?? []),
      section.endPoint,
    ]);
    const path = points.map(({ x, y }) => [x, y] as const);
    const end = path[path.length - 1];
    const reaching = edge.targets[0] === screenId && end ? [...path, [end[0] + approach, end[1]] as const] : path;
    return { net: edge.id.split('>')[0]!, points: reaching };
  });
  return {
    width: (laid.width ?? 0) + approach,
    height: laid.height ?? 0,
    blocks,
    wires,
    plug: graph.plug,
    barrier: barrierOf(sheet, blocks, graph.plug),
  };
}

/** Where the isolation barrier crosses the line: between what is hot throughout and all the rest. */
function barrierOf(sheet: Sheet, blocks: readonly LineBlock[], plug: string | undefined): number | undefined {
  const sideOf = ({ id }: LineBlock) => sheet.blocks.get(id)!.side;
  const hot = blocks.filter((one) => sideOf(one) === 'hot');
  const rest = blocks.filter(
    (one) => sideOf(one) !== 'hot' && one.id !== plug && sheet.blocks.get(one.id)!.needs.length > 0,
  );
  const left = Math.max(...hot.map((one) => one.x + one.width));
  const right = Math.min(...rest.map((one) => one.x));
  return hot.length > 0 && left < right ? (left + right) / 2 : undefined;
}
