import { type CrosshatchSaid, type Wanted } from '@/core/setup';
import styles from './shape.module.css';

interface ScreenViewProps {
  readonly said: CrosshatchSaid;
  readonly wanted: Wanted;
  readonly aspect: number;
}

/** Errors are drawn so many times their length, as far as they keep apart. */
const factors = [20, 10, 5, 2, 1];
/** Length that the furthest may be drawn at, in shares of the width. */
const longest = 0.08;

/** The screen from the front: where crossings should be, and how far away they are, enlarged. */
export function ScreenView({ said, wanted, aspect }: ScreenViewProps) {
  const scale = 400;
  const enlarged = factors.find((factor) => (factor * said.shape.furthest) / 100 <= longest) ?? 1;
  const place = (x: number, y: number) => [(x + 0.5) * scale, (y + aspect / 2) * scale] as const;
  return (
    <figure className={styles.screen}>
      <svg
        viewBox={`-6 -6 ${scale + 12} ${scale * aspect + 12}`}
        role="img"
        aria-label="Errors of the picture’s shape, enlarged"
      >
        <rect width={scale} height={scale * aspect} rx={14} />
        {said.seen.map(({ u, v, x, y }) => {
          const [wx, wy] = place((u * wanted.wide) / 2, (v * wanted.high) / 2);
          const [sx, sy] = place(x, y);
          return (
            <g key={`${u} ${v}`}>
              <circle cx={wx} cy={wy} r={1.6} />
              <line x1={wx} y1={wy} x2={wx + enlarged * (sx - wx)} y2={wy + enlarged * (sy - wy)} />
            </g>
          );
        })}
      </svg>
      <figcaption className="soft">
        Dot: where a crossing belongs. Line: which way it is off
        {enlarged === 1 ? ', and how far' : `, ${enlarged} times as long`}.
      </figcaption>
    </figure>
  );
}
