import { useState } from 'react';
import { writeExercise } from '@/core/practice';
import { WriteFile } from '@/ui';
import { type DebriefView, type HuntView } from './huntView';
import { resultOf } from './huntResult';
import styles from './hunt.module.css';
import { type KeptHunt } from './useHunt';

interface HuntFilesProps {
  readonly kept: KeptHunt;
  readonly view: HuntView;
  readonly debrief: DebriefView;
}

/** A hunt that is over, as files: to be handed to others, and how it went. */
export function HuntFiles({ kept, view, debrief }: HuntFilesProps) {
  const [name, setName] = useState('');
  const result = () => resultOf(name.trim(), kept, view, debrief);
  return (
    <section aria-label="Files" className={styles.files}>
      <WriteFile
        name="exercise.yaml"
        type="text/yaml"
        title="The same set for others"
        text={() => writeExercise(kept.exercise)}
      />
      <label>
        <span className="label">Your name, for the result</span>
        <input
          className="field"
          value={name}
          maxLength={60}
          autoComplete="off"
          onChange={(event) => setName(event.target.value)}
        />
      </label>
      <WriteFile name="result.csv" type="text/csv" title="Result, CSV" text={() => result().csv} />
      <WriteFile name="result.json" type="application/json" title="Result, JSON" text={() => result().json} />
    </section>
  );
}
