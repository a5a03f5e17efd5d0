import styles from './parts.module.css';

interface ChoiceProps {
  readonly pressed: boolean;
  readonly onPress: () => void;
  /** What it means, where the words on it do not say. */
  readonly title?: string;
  readonly children: string;
}

/** One of several short words, pressed or not. */
export function Choice({ pressed, onPress, title, children }: ChoiceProps) {
  return (
    <button type="button" className={styles.choice} title={title} aria-pressed={pressed} onClick={onPress}>
      {children}
    </button>
  );
}
