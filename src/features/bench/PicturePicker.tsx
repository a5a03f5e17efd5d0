'use client';

import { type Symptom } from '@/core/picture';
import { PictureView } from '@/ui';
import { type SeenPicture } from './benchModel';
import styles from './bench.module.css';

/** Pictures to choose from: what the set shows is picked, not described. */
export function PicturePicker({
  pictures,
  onPick,
}: {
  pictures: readonly SeenPicture[];
  onPick: (symptoms: readonly Symptom[]) => void;
}) {
  return (
    <div className={styles.pictures}>
      {pictures.map(({ id, title, symptoms, picture }, index) => (
        <button key={id} type="button" onClick={() => onPick(symptoms)}>
          <PictureView picture={picture} />
          <span>
            {index + 1} {title}
          </span>
        </button>
      ))}
    </div>
  );
}
