import { describe, expect, it } from 'vitest';
import { dictionaryOf, operatingPoint, rankFaults, readNetlist, ripplesOf, System } from '..';

/** A half-wave rectifier, its reservoir and a filter behind it. */
const supply = `* supply
VS s 0 DC 17 SIN(0 18 50)
R1 s a 0.5
D1 a k DR
C1 k 0 1000u
R2 k f 47
C2 f 0 220u
R3 f 0 470
.model DR D(IS=1e-9 N=1.5)
.tran 0.5m 200m`;

const system = new System(readNetlist(supply));
const dictionary = dictionaryOf(system, operatingPoint(system));
const ripples = ripplesOf(
  dictionary,
  system.circuit.analyses.find((one) => one.kind === 'tran')!,
  ['k', 'f'],
);
const faultOf = (ref: string, mode: string) =>
  dictionary.entries.find(({ fault }) => fault.ref === ref && fault.mode === mode)!.fault;
const first = (volts: Record<string, number>, ripple: Record<string, number>) => {
  const { faults, nothing } = rankFaults(dictionary, {
    volts: new Map(Object.entries(volts)),
    ripple: new Map(Object.entries(ripple)),
    ripples,
  });
  return nothing > 0.5 ? 'nothing' : `${faults[0]!.fault.ref} ${faults[0]!.fault.mode}`;
};

describe('ripple', () => {
  it('of a reservoir is what its load takes out of it between two charges', () => {
    const { mean, ripple } = ripples.get(undefined)!.get('k')!;
    const charged = mean / (47 + 470) / 1000e-6 / 50;
    expect(ripple).toBeGreaterThan(0.75 * charged);
    expect(ripple).toBeLessThan(charged);
  });

  it('grows where the capacitor of a node has dried out, and passes on what a filter no longer holds', () => {
    const dryFirst = ripples.get(faultOf('C1', 'dry'))!;
    const drySecond = ripples.get(faultOf('C2', 'dry'))!;
    const usual = ripples.get(undefined)!;
    expect(dryFirst.get('k')!.ripple).toBeGreaterThan(2 * usual.get('k')!.ripple);
    expect(drySecond.get('f')!.ripple).toBeGreaterThan(2.5 * usual.get('f')!.ripple);
    expect(drySecond.get('k')!.ripple).toBeLessThan(1.3 * usual.get('k')!.ripple);
  });

  it('names the capacitor that dried out, the diode that does not rectify, and nothing where all is well', () => {
    for (const [ref, mode] of [
      ['C1', 'dry'],
      ['C2', 'dry'],
      ['D1', 'open'],
      ['D1', 'short'],
    ] as const) {
      const seen = ripples.get(faultOf(ref, mode))!;
      const volts = { k: seen.get('k')!.mean, f: seen.get('f')!.mean };
      expect(first(volts, { k: seen.get('k')!.ripple * 1.05, f: seen.get('f')!.ripple * 0.95 })).toBe(`${ref} ${mode}`);
    }
    const usual = ripples.get(undefined)!;
    expect(
      first(
        { k: usual.get('k')!.mean * 1.005, f: usual.get('f')!.mean },
        { k: usual.get('k')!.ripple, f: usual.get('f')!.ripple },
      ),
    ).toBe('nothing');
  });
});
