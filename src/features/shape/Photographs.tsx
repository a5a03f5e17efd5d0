import { type ShapeWalk } from '@/core/setup';
import styles from './shape.module.css';

interface PhotographsProps {
  readonly job: string;
  readonly photos: ShapeWalk['photos'];
}

/** The picture as it was photographed first and last. */
export function Photographs({ job, photos: [first, latest] }: PhotographsProps) {
  if (latest === undefined) return null;
  const shown = first === undefined || first === latest ? [latest] : [first, latest];
  return (
    <ul className={styles.photos} data-testid="photographs">
      {shown.map((photo) => (
        <li key={photo}>
          <a href={`/api/jobs/${job}/photos/${photo}`} target="_blank" rel="noreferrer">
            {/* eslint-disable-next-line @next/next/no-img-element */}
            <img src={`/api/jobs/${job}/photos/${photo}`} alt="" />
            {photo === latest ? 'Now' : 'Before'}
          </a>
        </li>
      ))}
    </ul>
  );
}
