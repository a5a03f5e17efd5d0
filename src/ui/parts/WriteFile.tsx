import styles from './parts.module.css';

interface WriteFileProps {
  readonly name: string;
  /** Media type: `text/yaml`. */
  readonly type: string;
  /** Asked for when the file is written. */
  text(): string;
  readonly title?: string;
}

/** Writes a text to a file of the user's. */
export function WriteFile({ name, type, text, title = 'Write to a file' }: WriteFileProps) {
  const write = () => {
    const link = document.createElement('a');
    link.href = `data:${type};charset=utf-8,${encodeURIComponent(text())}`;
    link.download = name;
    link.click();
  };
  return (
    <button type="button" className={styles.file} onClick={write}>
      {title}
    </button>
  );
}
