import { certain, type Corners, type Crossing } from '@/core/crosshatch';
import { type Point } from '@/core/plane';
import { GlassPicture, MovablePoint } from '@/ui';
import { type Photo } from './shapeModel';
import styles from './shape.module.css';

interface PhotoViewProps {
  readonly photo: Photo;
  readonly crossings: readonly Crossing[];
  readonly corners: Corners;
  readonly onCorners: (corners: Corners) => void;
  onMove(crossing: Crossing, to: Point): void;
}

/** The photograph with what was found in it: corners of the glass and crossings, to be put in their places. */
export function PhotoView({ photo, crossings, corners, onCorners, onMove }: PhotoViewProps) {
  const { url, width, height } = photo;
  const size = width / 160;
  return (
    <GlassPicture {...{ url, width, height, corners, onCorners }} label="Photograph of the crosshatch">
      {crossings.map((crossing) => {
        const { row, column, certainty } = crossing;
        const isSure = certainty >= certain;
        return (
          <MovablePoint
            key={`${row} ${column}`}
            at={crossing}
            label={`Crossing ${column + 1} across, ${row + 1} down${isSure ? '' : ', not sure'}`}
            inTabOrder={!isSure}
            onMove={(to) => onMove(crossing, to)}
          >
            <g className={styles.crossing}>
              <circle r={2.2 * size} className={styles.grip} />
              {isSure ? (
                <circle r={size} strokeWidth={size / 2.5} />
              ) : (
                <path
                  d={`M${-size} ${-size}L${size} ${size}M${size} ${-size}L${-size} ${size}`}
                  data-unsure
                  strokeWidth={size / 2}
                />
              )}
            </g>
          </MovablePoint>
        );
      })}
    </GlassPicture>
  );
}
