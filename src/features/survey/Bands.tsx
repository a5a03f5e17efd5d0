import { type BandColour } from '@/core/parts';

/** Paints of the bands; each also has its name in the title, so the colour is never alone. */
const paints: Readonly<Record<BandColour, string>> = {
  black: '#1b1b1b',
  brown: '#6f4020',
  red: '#c0242c',
  orange: '#e0762a',
  yellow: '#e7c42f',
  green: '#2f8a4e',
  blue: '#2c57b5',
  violet: '#7a3f9d',
  grey: '#8b8f94',
  white: '#f6f6f2',
  gold: '#b8963c',
  silver: '#b9bec4',
};

/** A resistor with its bands. */
export function Bands({ bands }: { bands: readonly BandColour[] }) {
  if (bands.length === 0) return <span />;
  const words = bands.join(' ');
  return (
    <svg width="64" height="18" viewBox="0 0 64 18" role="img" aria-label={words}>
      <title>{words}</title>
      <path d="M0 9H64" stroke="var(--soft)" strokeWidth="1.5" />
      <rect x="7" y="2" width="50" height="14" rx="5" fill="#d9c7a3" stroke="var(--soft)" strokeWidth="0.7" />
      {bands.map((colour, index) => (
        <rect
          key={index}
          x={index === bands.length - 1 && bands.length > 3 ? 48 : 13 + index * 8}
          y="2"
          width="4.5"
          height="14"
          fill={paints[colour]}
        />
      ))}
    </svg>
  );
}
