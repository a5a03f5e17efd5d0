import { describe, expect, it } from 'vitest';
import { shippedSheets } from '@/sheets';
import { predictionsOf } from '../../behaviour';
import { replay } from '../../log';
import { isListed, openSheet } from '../../sheet';
import { likeliestInside } from './likeliestInside';

const predictions = predictionsOf(openSheet(shippedSheets().get('generic-crt-colour')!));
const { sheet } = predictions.model;
const inside = (id: string, probability: number, cured = false) =>
  likeliestInside(
    sheet,
    { suspects: [{ fault: sheet.faults.get(id)!, prior: 0.01, probability, cured }] },
    predictions.checks,
    replay([], []),
  )?.block;

describe('the block that is looked into', () => {
  it('is the one of the leading suspect, while that is likely and open', () => {
    expect(inside('B-LOAD.drifted', 0.6)).toBe('blue_driver');
    expect(inside('B-LOAD.drifted', 0.97)).toBe('blue_driver');
    expect(inside('B-LOAD.drifted', 0.05)).toBeUndefined();
    expect(inside('B-LOAD.drifted', 0.97, true)).toBeUndefined();
  });

  it('is none where a part that its netlist does not have is found bad', () => {
    const beside = [...sheet.faults.values()].find((fault) => {
      const { part } = fault;
      const stage = sheet.blocks.get(sheet.parts.get(part)!.block)!.stage;
      return isListed(fault) && stage?.text !== undefined && ![...stage.parts.values()].includes(part);
    })!;
    expect(inside(beside.id, 0.5)).toBe(sheet.parts.get(beside.part)!.block);
    expect(inside(beside.id, 0.97)).toBeUndefined();
    // What is unlisted in the block may be anything in it.
    expect(
      inside(
        [...sheet.faults.keys()].find((id) => id.startsWith('blue_driver?'))!,
        0.97,
      ),
    ).toBe('blue_driver');
  });
});
