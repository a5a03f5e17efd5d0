import { describe, expect, it } from 'vitest';
import { shippedSheets } from '@/sheets';
import { compileSheet, liveCold, Predictions, withConnector } from '.';
import { expect as expected } from './expect';
import { simulate } from './simulate';

describe('what is known without working it out', () => {
  it.each(['pellisar-tc-14', 'halvane-hp-42', 'generic-projection-lamp'])(
    'is what working it out gives, for every fault and check of %s',
    (id) => {
      const model = compileSheet(shippedSheets().get(id)!);
      const predictions = new Predictions(model);
      const [connector] = model.sheet.connectors.keys();
      for (const context of [
        liveCold,
        { ...liveCold, power: 'unplugged' as const },
        withConnector(liveCold, connector!, true),
      ])
        for (const check of predictions.checks.values()) {
          const row = predictions.row(check, context);
          for (const fault of model.sheet.faults.values())
            expect(row(fault)).toEqual(expected(simulate(model, [fault], context), check));
        }
    },
    60_000,
  );
});
