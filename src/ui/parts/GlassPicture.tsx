import { type ReactNode, useRef } from 'react';
import { type Corners } from '@/core/crosshatch';
import { type Point } from '@/core/plane';
import styles from './glass.module.css';

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
  const drawing = useRef<SVGSVGElement>(null);
  const dragged = useRef<number>(undefined);
  const size = width / 160;
  const moved = (index: number, to: Point) =>
    onCorners(corners.map((corner, i) => (i === index ? to : corner)) as unknown as Corners);
  const placeOf = (event: { readonly clientX: number; readonly clientY: number }): Point => {
    const { left, top, width: shown } = drawing.current!.getBoundingClientRect();
    const scale = width / shown;
    return { x: (event.clientX - left) * scale, y: (event.clientY - top) * scale };
  };
  return (
    <svg
      ref={drawing}
      className={styles.photo}
      viewBox={`0 0 ${width} ${height}`}
      role="group"
      aria-label={label}
      onPointerMove={(event) => {
        if (dragged.current !== undefined) moved(dragged.current, placeOf(event));
      }}
      onPointerUp={() => (dragged.current = undefined)}
      onPointerLeave={() => (dragged.current = undefined)}
    >
      <image href={url} width={width} height={height} />
      <polygon
        className={styles.glass}
        points={corners.map(({ x, y }) => `${x},${y}`).join(' ')}
        strokeWidth={size / 2}
      />
      {children}
      {corners.map(({ x, y }, index) => (
        <circle
          key={cornerNames[index]}
          className={styles.corner}
          cx={x}
          cy={y}
          r={2.6 * size}
          strokeWidth={size}
          tabIndex={0}
          role="slider"
          aria-label={`${cornerNames[index]} corner of the glass; arrow keys move it`}
          aria-valuenow={Math.round(x)}
          aria-valuetext={`${Math.round(x)}, ${Math.round(y)}`}
          onPointerDown={(event) => {
            event.currentTarget.setPointerCapture?.(event.pointerId);
            dragged.current = index;
          }}
          onKeyDown={(event) => {
            const by = (event.shiftKey ? 10 : 1) * Math.max(1, width / 1000);
            const step = { ArrowLeft: [-by, 0], ArrowRight: [by, 0], ArrowUp: [0, -by], ArrowDown: [0, by] }[event.key];
            if (!step) return;
            event.preventDefault();
            moved(index, { x: x + step[0]!, y: y + step[1]! });
          }}
        />
      ))}
    </svg>
  );
}
