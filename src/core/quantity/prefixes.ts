/** Engineering prefixes, largest first, as printed. */
export const prefixes: readonly { readonly letter: string; readonly factor: number }[] = [
  { letter: 'G', factor: 1e9 },
  { letter: 'M', factor: 1e6 },
  { letter: 'k', factor: 1e3 },
  { letter: '', factor: 1 },
  { letter: 'm', factor: 1e-3 },
  { letter: 'µ', factor: 1e-6 },
  { letter: 'n', factor: 1e-9 },
  { letter: 'p', factor: 1e-12 },
];

/** Every letter that may be typed for a prefix. `R` marks the decimal point of ohms. */
export const typedPrefixes: Readonly<Record<string, number>> = {
  G: 1e9,
  M: 1e6,
  k: 1e3,
  K: 1e3,
  R: 1,
  m: 1e-3,
  u: 1e-6,
  µ: 1e-6,
  μ: 1e-6,
  n: 1e-9,
  p: 1e-12,
};
