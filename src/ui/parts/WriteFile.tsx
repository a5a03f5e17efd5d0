import styles from './parts.module.css';

interface WriteFileProps {
  readonly name: string;
  /** Media type: `text/yaml`. */
  readonly type: string;
  readonly text: string;
}

/** Writes a text to a file of the user's. */
export function WriteFile({ name, type, text }: WriteFileProps) {
  return (
    <a className={styles.file} href={`data:${type};charset=utf-8,${encodeURIComponent(text)}`} download={name}>
      Write to a file
    </a>
  );
}
