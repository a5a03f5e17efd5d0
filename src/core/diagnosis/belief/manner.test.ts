import { describe, expect, it } from 'vitest';
import { shippedSheets } from '@/sheets';
import { predictionsOf } from '../../behaviour';
import { replay } from '../../log';
import { type Manner } from '../../picture';
import { openSheet } from '../../sheet';
import { sumOf } from '../../statistics';
import { type Case, evidenceIn, posteriorOf, reasonsFrom } from '..';

const predictions = predictionsOf(openSheet(shippedSheets().get('generic-crt-colour')!));
const { sheet } = predictions.model;
const told = (manner?: Manner): Case => ({
  predictions,
  complaint: { symptoms: ['dark'], signs: {}, manner },
  bench: replay([], [...sheet.stores.keys()]),
  closed: new Map(),
  hourlyRate: 18,
});

/** Chance that what is wrong is of some kind. */
const chanceOf = (job: Case, of: (fault: { readonly mode: string; readonly appears: string }) => boolean) =>
  sumOf(
    posteriorOf(job).suspects.filter(({ fault }) => of(fault)),
    ({ probability }) => probability,
  );
const isJoint = ({ mode }: { readonly mode: string }) => mode === 'joint';

describe('how a set shows what is wrong with it', () => {
  it('points at joints where it comes and goes, more where it answers to a knock, and away from them where it lasts', () => {
    const [nothing, random, knock, lasting] = ([undefined, 'random', 'knock', 'lasting'] as const).map((manner) =>
      chanceOf(told(manner), isJoint),
    ) as [number, number, number, number];
    expect(random).toBeGreaterThan(1.5 * nothing);
    expect(knock).toBeGreaterThan(random);
    expect(lasting).toBeLessThan(nothing);
  });

  it('points at what shows only warm, or only cold, where its owner says so', () => {
    for (const appears of ['warm', 'cold'] as const) {
      const own = (fault: { readonly appears: string }) => fault.appears === appears;
      if (![...sheet.faults.values()].some(own)) continue;
      expect(chanceOf(told(appears), own)).toBeGreaterThan(3 * chanceOf(told(), own));
    }
  });

  it('stands among the reasons in words, with by how much', () => {
    const posterior = posteriorOf(told('random'));
    const leading = posterior.suspects.find(({ fault }) => fault.mode === 'joint')!;
    const reasons = reasonsFrom(predictions, evidenceIn(posterior)(leading.fault.id));
    expect(reasons.find(({ text }) => text === 'Comes and goes')).toMatchObject({ raises: true });
    expect(
      reasonsFrom(predictions, evidenceIn(posteriorOf(told()))(leading.fault.id)).map(({ text }) => text),
    ).not.toContain('Comes and goes');
  });

  it('makes what is wrong likely to be away now', () => {
    expect(posteriorOf(told('random')).dormant).toBeGreaterThan(posteriorOf(told('lasting')).dormant);
  });
});
