import 'server-only';
import ELK, { type ElkExtendedEdge, type ElkNode } from 'elkjs/lib/elk.bundled.js';
import { type Sheet } from '@/core/sheet';
import { lineGraph, screenId } from './graph';
import { type Line, type LineBlock, type LineWire } from './line';

/** Sizes that keep the names readable at an arm's length. */
const block = { width: 96, height: 32 };
const plug = { width: 26, height: 26 };
const screen = { width: 4, height: 200 };

const options = {
  'elk.algorithm': 'layered',
  'elk.direction': 'RIGHT',
  'elk.edgeRouting': 'ORTHOGONAL',
  'elk.partitioning.activate': 'true',
  'elk.layered.mergeHyperedges': 'true',
  'elk.layered.nodePlacement.strategy': 'NETWORK_SIMPLEX',
  'elk.layered.crossingMinimization.forceNodeModelOrder': 'false',
  'elk.layered.considerModelOrder.strategy': 'NODES_AND_EDGES',
  'elk.layered.thoroughness': '30',
  'elk.spacing.nodeNode': '10',
  'elk.spacing.edgeNode': '8',
  'elk.spacing.edgeEdge': '7',
  'elk.layered.spacing.nodeNodeBetweenLayers': '26',
  'elk.layered.spacing.edgeNodeBetweenLayers': '10',
  'elk.layered.spacing.edgeEdgeBetweenLayers': '7',
  'elk.padding': '[top=6,left=4,bottom=6,right=0]',
};

const layouts = new WeakMap<Sheet, Promise<Line>>();

/** Where everything of the line stands, worked out once a sheet by a layered layout of its own graph. */
export function layoutLine(sheet: Sheet): Promise<Line> {
  let layout = layouts.get(sheet);
  if (!layout) layouts.set(sheet, (layout = arrange(sheet)));
  return layout;
}

async function arrange(sheet: Sheet): Promise<Line> {
  const graph = lineGraph(sheet);
  const last = Math.max(...graph.column.values()) + 1;
  const node = (id: string, column: number, size: { width: number; height: number }): ElkNode => ({
    id,
    ...size,
    layoutOptions: { 'elk.partitioning.partition': String(column) },
  });
  const root: ElkNode = {
    id: 'line',
    layoutOptions: options,
    children: [...graph.blocks.map((id) => node(id, graph.column.get(id)!, id === graph.plug ? plug : block)), node(screenId, last, screen)],
    edges: graph.wires.flatMap((wire) => wire.to.map((to): ElkExtendedEdge => ({ id: `${wire.net}>${to}`, sources: [wire.from], targets: [to] }))),
  };
  const laid = await new ELK().layout(root);
  const blocks = (laid.children ?? [])
    .filter(({ id }) => id !== screenId)
    .map(({ id, x = 0, y = 0, width = 0, height = 0 }): LineBlock => ({ id, title: sheet.blocks.get(id)!.short, x, y, width, height }));
  const wires = (laid.edges ?? []).map((edge): LineWire => {
    const points = (edge.sections ?? []).flatMap((section) => [section.startPoint, ...(section.bendPoints ?? []), section.endPoint]);
    return { net: edge.id.split('>')[0]!, points: points.map(({ x, y }) => [x, y] as const) };
  });
  return { width: laid.width ?? 0, height: laid.height ?? 0, blocks, wires, plug: graph.plug };
}
