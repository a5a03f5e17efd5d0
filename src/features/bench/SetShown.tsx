import { memo } from 'react';
import { depict, type Picture, type Symptom, symptomTitles } from '@/core/picture';
import { PictureView } from '@/ui';
import styles from './bench.module.css';

interface SetShownProps {
  readonly family: Picture['family'];
  readonly symptoms: readonly Symptom[];
  /** Who says so, and when. */
  readonly by: string;
  onAsk(): void;
}

/** What the set shows now, at the end of the line. */
export const SetShown = memo(function SetShown({ family, symptoms, by, onAsk }: SetShownProps) {
  return (
    <button type="button" className={styles.screen} onClick={onAsk} title="Say what it shows now (Alt V)">
      <span className="soft">
        What it shows · <span suppressHydrationWarning>{by}</span>
      </span>
      <PictureView picture={depict(family, symptoms)} />
      <b>{symptoms.map((symptom) => symptomTitles[symptom]).join(', ') || 'Nobody has said'}</b>
    </button>
  );
});
