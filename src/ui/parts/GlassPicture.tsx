import { type ReactNode } from 'react';
import { type Corners } from '@/core/crosshatch';
import styles from './glass.module.css';
import { MovablePoint } from './MovablePoint';

interface GlassPictureProps {
  readonly url: string;
  /** Of the picture, in its own points. */
  readonly width: number;
  readonly height: number;
  readonly label: string;
  readonly corners: Corners;
  readonly onCorners: (corners: Corners) => void;
  /** What is drawn upon it, in the picture’s own points. */
  readonly children?: ReactNode;
}

const cornerNames = ['Top left', 'Top right', 'Bottom right', 'Bottom left'] as const;

/** A photograph of a screen, with the corners of its glass to be put in their places by pointer or arrow keys. */
export function GlassPicture({ url, width, height, label, corners, onCorners, children }: GlassPictureProps) {
  const size = width / 160;
  return (
    <svg className={styles.photo} viewBox={`0 0 ${width} ${height}`} role="group" aria-label={label}>
      <image href={url} width={width} height={height} />
      <polygon
        className={styles.glass}
        points={corners.map(({ x, y }) => `${x},${y}`).join(' ')}
        strokeWidth={size / 2}
      />
      {children}
      {corners.map((corner, index) => (
        <MovablePoint
          key={cornerNames[index]}
          at={corner}
          label={`${cornerNames[index]} corner of the glass`}
          onMove={(to) => onCorners(corners.map((one, i) => (i === index ? to : one)) as unknown as Corners)}
        >
          <circle className={styles.corner} r={2.6 * size} strokeWidth={size} />
        </MovablePoint>
      ))}
    </svg>
  );
}
