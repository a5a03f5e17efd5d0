import { type Predictions } from '@/core/behaviour';
import { type LogEntry } from '@/core/reading';
import { type Sheet } from '@/core/sheet';

/** The first name in a batch that the sheet does not know, as a message; undefined when all are known. */
export function unknownName(entries: readonly LogEntry[], sheet: Sheet, predictions: Predictions): string | undefined {
  for (const { body } of entries) {
    switch (body.kind) {
      case 'reading':
      case 'unreachable':
        if (!predictions.checks.has(body.check)) return `${sheet.title} has no point "${body.check}"`;
        break;
      case 'proven':
        if (!sheet.stores.has(body.store)) return `${sheet.title} has no store "${body.store}"`;
        break;
      case 'connector':
        if (!sheet.connectors.has(body.connector)) return `${sheet.title} has no connector "${body.connector}"`;
        break;
      case 'intervention':
        if (!(body.change === 'donors' ? sheet.boards : sheet.parts).has(body.target))
          return `${sheet.title} has no ${body.change === 'donors' ? 'board' : 'part'} "${body.target}"`;
        break;
      case 'worked':
      case 'photo':
        if (!sheet.boards.has(body.board)) return `${sheet.title} has no board "${body.board}"`;
        break;
      case 'inside':
        if (!sheet.blocks.get(body.block)?.stage)
          return `${sheet.title} has no block "${body.block}" with a netlist inside`;
        break;
      case 'repair': {
        const fault = body.cures.find((id) => !sheet.faults.has(id));
        if (fault !== undefined) return `${sheet.title} has no fault "${fault}"`;
        break;
      }
      default:
        break;
    }
  }
  return undefined;
}
