/** How far from the truth an instrument may read: a share of what it reads, and a step in its unit. */
interface Accuracy {
  readonly share: number;
  readonly step: number;
}

/** Instruments by how well they read: ordinary ones on their common ranges. The one place for it. */
export const instruments = {
  multimeter: { share: 0.008, step: 0.008 },
  'ESR tester': { share: 0.02, step: 0.01 },
  'capacitance meter': { share: 0.01, step: 1e-12 },
  'ring tester': { share: 0, step: 1 },
  'junction tester': { share: 0.008, step: 0.008 },
  sampler: { share: 0.008, step: 0.008 },
  'tube tester': { share: 0.05, step: 0.02 },
  counter: { share: 0, step: 1 },
} as const satisfies Record<string, Accuracy>;

/** What is put to a point to read it, in the bench's words. All of them speak by the same lines. */
export type Instrument = keyof typeof instruments;

/** Leads and contacts in series with whatever is read in ohms, at most. */
export const leadOhms = 0.6;

/** A reading lies anywhere within its accuracy: the standard deviation of an even spread, as a share of its limit. */
export const evenSpread = 1 / Math.sqrt(3);
