import { type PointerEvent, useRef } from 'react';
import { type Band, stretchOf } from '@/core/screen';
import { type Driver } from '@/core/sheet';
import { type Direction } from './bandModel';
import styles from './band.module.css';

interface ScreenPointerProps {
  readonly drives: Direction;
  readonly drivers: readonly Driver[];
  readonly band: Band | undefined;
  onBand(band: Band): void;
}

const size = { width: 640, height: 360 };

/** The screen, on which a band is drawn from where it begins to where it ends. */
export function ScreenPointer({ drives, drivers, band, onBand }: ScreenPointerProps) {
  const begun = useRef<number>(undefined);
  const across = drives === 'rows';
  const shareAt = (event: PointerEvent<SVGSVGElement>) => {
    const { left, top, width, height } = event.currentTarget.getBoundingClientRect();
    const share = across ? (event.clientY - top) / height : (event.clientX - left) / width;
    return Math.min(1, Math.max(0, share));
  };
  const drawTo = (event: PointerEvent<SVGSVGElement>) => {
    const from = begun.current;
    if (from === undefined) return;
    const to = shareAt(event);
    onBand({ from: Math.min(from, to), to: Math.max(from, to) });
  };
  const stretch = (from: number, to: number) =>
    across
      ? { x: 0, y: from * size.height, width: size.width, height: (to - from) * size.height }
      : { x: from * size.width, y: 0, width: (to - from) * size.width, height: size.height };
  return (
    <svg
      className={styles.glass}
      viewBox={`0 0 ${size.width} ${size.height}`}
      role="img"
      aria-label="The screen: draw from where the band begins to where it ends, or write it in percent below"
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        begun.current = shareAt(event);
        drawTo(event);
      }}
      onPointerMove={drawTo}
      onPointerUp={() => {
        begun.current = undefined;
      }}
    >
      <rect {...stretch(0, 1)} className={styles.lit} />
      {drivers.flatMap((driver) => {
        const board = stretchOf(driver);
        const share = (board.to - board.from) / driver.ribbons;
        return Array.from({ length: driver.ribbons }, (_, ribbon) => {
          const from = board.from + ribbon * share;
          const box = stretch(from, from + share);
          return (
            <g key={`${driver.id} ${ribbon}`}>
              <rect {...box} className={styles.ribbon} data-first={ribbon === 0 || undefined} />
              <text x={box.x + 8} y={box.y + 18} className={styles.number}>
                {ribbon + 1}
              </text>
            </g>
          );
        });
      })}
      {band && <rect {...stretch(band.from, band.to)} className={styles.dark} data-testid="band" />}
    </svg>
  );
}
