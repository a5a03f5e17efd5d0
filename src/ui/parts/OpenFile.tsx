import styles from './parts.module.css';

/** A file larger than this is no text that is meant here. */
const largest = 2 * 1024 * 1024;

interface OpenFileProps {
  /** Endings it offers: `.yaml,.yml`. */
  readonly accept: string;
  readonly title?: string;
  onText(text: string): void;
  onRefused(message: string): void;
}

/** Opens a text file; one that is far too large is refused before it is read. */
export function OpenFile({ accept, title = 'Open a file', onText, onRefused }: OpenFileProps) {
  const take = async (file: File | undefined) => {
    if (!file) return;
    if (file.size > largest)
      return onRefused(`${file.name} is ${Math.round(file.size / 1048576)} MB: no text of this kind is that long`);
    onText(await file.text());
  };
  return (
    <label className={styles.file}>
      {title}
      <input type="file" accept={accept} onChange={(event) => void take(event.target.files?.[0])} />
    </label>
  );
}
