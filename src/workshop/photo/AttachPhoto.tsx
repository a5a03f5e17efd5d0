'use client';

import styles from './photo.module.css';
import { sendPhoto } from './sendPhoto';

interface AttachPhotoProps {
  readonly job: string;
  readonly title?: string;
  onKept(photo: { readonly id: string; readonly name: string }): void;
  onRefused(message: string | undefined): void;
}

/** Takes or picks a photograph and keeps it with the job. */
export function AttachPhoto({ job, title = 'Photograph it', onKept, onRefused }: AttachPhotoProps) {
  const attach = async (picked: File | undefined) => {
    if (!picked) return;
    onRefused(undefined);
    const sent = await sendPhoto(job, picked);
    if ('refused' in sent) return onRefused(sent.refused);
    onKept({ id: sent.id, name: picked.name.slice(0, 120) });
  };
  return (
    <label className={styles.attach}>
      {title}
      <input
        type="file"
        accept="image/*"
        onChange={(event) => {
          void attach(event.target.files?.[0]);
          event.target.value = '';
        }}
      />
    </label>
  );
}
