import { certain, type Corners } from '@/core/crosshatch';
import { GlassPicture } from '@/ui';
import { type Photo } from './shapeModel';
import styles from './shape.module.css';

interface PhotoViewProps {
  readonly photo: Photo;
  readonly corners: Corners;
  readonly onCorners: (corners: Corners) => void;
}

/** The photograph with what was found in it, and the corners of the glass to be put in their places. */
export function PhotoView({ photo, corners, onCorners }: PhotoViewProps) {
  const { url, width, height, crossings } = photo;
  const size = width / 160;
  return (
    <GlassPicture {...{ url, width, height, corners, onCorners }} label="Photograph of the crosshatch">
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
    </GlassPicture>
  );
}
