'use client';

import { type Picture, type Symptom } from '@/core/picture';
import { PictureView } from '@/ui';
import styles from './bench.module.css';

/** A picture the set may show. */
export interface SeenPicture {
  readonly id: string;
  readonly title: string;
  readonly symptoms: readonly Symptom[];
  readonly picture: Picture;
}

/** Pictures to choose from: what the set shows is picked, not described. */
export function PicturePicker({ pictures, onPick }: { pictures: readonly SeenPicture[]; onPick: (symptoms: readonly Symptom[]) => void }) {
  return (
    <div className={styles.pictures}>
      {pictures.map(({ id, title, symptoms, picture }) => (
        <button key={id} type="button" onClick={() => onPick(symptoms)}>
          <PictureView picture={picture} title={title} />
          <span>{title}</span>
        </button>
      ))}
    </div>
  );
}
