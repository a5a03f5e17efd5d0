import { useRef } from 'react';
import { certain, type Corners } from '@/core/crosshatch';
import { type Point } from '@/core/plane';
import { cornerNames, type Photo } from './shapeModel';
import styles from './shape.module.css';

interface PhotoViewProps {
  readonly photo: Photo;
  readonly corners: Corners;
  readonly onCorners: (corners: Corners) => void;
}

/** The photograph with what was found in it, and the corners of the glass to be put in their places. */
export function PhotoView({ photo, corners, onCorners }: PhotoViewProps) {
  const drawing = useRef<SVGSVGElement>(null);
  const dragged = useRef<number>(undefined);
  const { width, height, crossings, url } = photo;
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
      aria-label="Photograph of the crosshatch"
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
      {crossings.map(({ row, column, x, y, certainty }) => (
        <g key={`${row} ${column}`} transform={`translate(${x} ${y})`} className={styles.crossing}>
          {certainty >= certain ? (
            <circle r={size} strokeWidth={size / 2.5} />
          ) : (
            <path
              d={`M${-size} ${-size}L${size} ${size}M${size} ${-size}L${-size} ${size}`}
              data-unsure
              strokeWidth={size / 2}
            />
          )}
        </g>
      ))}
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
