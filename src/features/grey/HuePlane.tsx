import { type Bar, tints } from '@/core/setup';
import styles from './grey.module.css';

interface HuePlaneProps {
  readonly points: readonly { readonly bar: Bar; readonly tint: readonly [number, number] }[];
  readonly words: string;
}

/** Differences from the middle to the edge of the drawing. */
const reach = 12;

/** Where the bars are thought to lie in the plane of tints: the inner ring is what an eye cannot tell from grey. */
export function HuePlane({ points, words }: HuePlaneProps) {
  const place = ([red, blue]: readonly [number, number]) => {
    const [x, y] = [red - blue / 2, (blue * Math.sqrt(3)) / 2];
    const size = Math.max(1, Math.hypot(x, y) / reach);
    return [(100 * x) / reach / size, (100 * y) / reach / size] as const;
  };
  return (
    <figure className={styles.plane}>
      <svg viewBox="-172 -132 344 264" role="img" aria-label={words}>
        <circle r={100} data-edge />
        <circle r={100 / reach} data-grey />
        {tints.map((tint, i) => {
          const angle = (i * Math.PI) / 3;
          return (
            <text key={tint} x={137 * Math.cos(angle)} y={118 * Math.sin(angle) + 4} textAnchor="middle">
              {tint}
            </text>
          );
        })}
        {points.map(({ bar, tint }) => {
          const [x, y] = place(tint);
          return bar === 'dark' ? (
            <rect key={bar} x={x - 6} y={y - 6} width={12} height={12} data-bar={bar} />
          ) : (
            <circle key={bar} cx={x} cy={y} r={7} data-bar={bar} />
          );
        })}
      </svg>
      <figcaption className="soft">■ dark, ○ bright. {words} The inner ring is grey.</figcaption>
    </figure>
  );
}
