import { type Judgement } from '@/core/reading';
import styles from './parts.module.css';

/** The verdicts a mark can show; `unread` is a place nobody has measured yet. */
export type MarkName = Judgement['mark'] | 'unread';

export const markNames: Readonly<Record<MarkName, string>> = {
  within: 'within',
  high: 'high',
  low: 'low',
  dead: 'dead',
  odd: 'odd',
  open: 'open',
  unread: 'not yet',
};

export const markColours: Readonly<Record<MarkName, string>> = {
  within: 'var(--within)',
  high: 'var(--high)',
  low: 'var(--low)',
  dead: 'var(--high)',
  odd: 'var(--odd)',
  open: 'var(--high)',
  unread: 'var(--soft)',
};

/** The shape of a verdict in a box 16 by 16: full, pointing up or down, hollow, or a diamond. */
export function MarkShape({ mark }: { mark: MarkName }) {
  const colour = markColours[mark];
  switch (mark) {
    case 'within':
      return <circle cx="8" cy="8" r="5.5" fill={colour} />;
    case 'high':
      return <path d="M8 2 14 13.5H2Z" fill={colour} />;
    case 'low':
      return <path d="M8 14 2 2.5h12Z" fill={colour} />;
    case 'dead':
      return <circle cx="8" cy="8" r="5" fill="none" stroke={colour} strokeWidth="2.4" />;
    case 'open':
      return (
        <path d="M1.5 8H5M11 8h3.5M6 12.5 10 3.5" stroke={colour} strokeWidth="2.2" fill="none" strokeLinecap="round" />
      );
    case 'odd':
      return <path d="M8 1.5 14.5 8 8 14.5 1.5 8Z" fill="none" stroke={colour} strokeWidth="2.2" />;
    case 'unread':
      return (
        <circle cx="8" cy="8" r="5" fill="var(--sheet)" stroke={colour} strokeWidth="1.4" strokeDasharray="2.5 2" />
      );
  }
}

export function VerdictMark({ mark, size = 16 }: { mark: MarkName; size?: number }) {
  return (
    <svg className={styles.mark} width={size} height={size} viewBox="0 0 16 16" role="img" aria-label={markNames[mark]}>
      <MarkShape mark={mark} />
    </svg>
  );
}
