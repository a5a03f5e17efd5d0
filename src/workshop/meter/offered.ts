import 'server-only';

/** Is the stand-in for a meter to be had? Only where the sets are simulated, too: its readings are invented. */
export const simulatedMeterOffered = (): boolean => process.env.TOVRIK_SIMULATED_METER === '1';
