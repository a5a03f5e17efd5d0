import * as yup from 'yup';
import { between, type LineKind, type LineOf, name } from '../line';

const fields = yup.object({
  block: name(),
  node: name(),
  measure: yup
    .string()
    .oneOf(['volts', 'ripple'] as const)
    .required(),
  volts: between(-100_000, 100_000),
});

/** Measured inside a block, at a node that only its netlist knows. */
export type InsideLine = LineOf<'inside', typeof fields>;

export const inside: LineKind<InsideLine> = {
  work: 'measuring',
  fields,
  unknown: ({ block }, { sheet }) =>
    sheet.blocks.get(block)?.stage ? undefined : `${sheet.title} has no block "${block}" with a netlist inside`,
  fold(bench, { block, node, measure, volts }, entry) {
    const { context, repairs } = bench;
    bench.inside.push({ entry, block, node, measure, volts, context, afterRepairs: repairs.length });
  },
  said: ({ block, node, measure, volts }) => `${block}, ${node}: ${volts} V${measure === 'ripple' ? ' of ripple' : ''}`,
};
