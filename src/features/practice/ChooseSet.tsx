import { type ReactNode, useState } from 'react';
import { type Grade, grades, type Trouble, troubleNames } from '@/core/practice';
import { OpenFile } from '@/ui';
import { type Aim, aims, troubles } from './huntView';
import { type Drawable } from './useHunt';
import styles from './hunt.module.css';

interface ChooseSetProps {
  readonly busy: boolean;
  /** What the button says that draws a set. */
  readonly main: string;
  /** What is said before the choice; without it the choice stands in a column. */
  readonly children?: ReactNode;
  onBegin(wanted: Drawable): void;
  onRefused(message: string): void;
}

/** What set to draw, and how hard. */
export function ChooseSet({ busy, main, children, onBegin, onRefused }: ChooseSetProps) {
  const [aim, setAim] = useState<Aim>('any');
  const [world, setWorld] = useState<Trouble>('one');
  const [grade, setGrade] = useState<Grade>();
  return (
    <section aria-label="Another hunt" className={children === undefined ? styles.again : styles.begin}>
      {children}
      <div role="group" aria-label="What set">
        {(Object.entries(aims) as [Aim, string][]).map(([one, title]) => (
          <button key={one} type="button" className="press" aria-pressed={aim === one} onClick={() => setAim(one)}>
            {title}
          </button>
        ))}
      </div>
      <div role="group" aria-label="What is wrong">
        {troubleNames.map((one) => (
          <button key={one} type="button" className="press" aria-pressed={world === one} onClick={() => setWorld(one)}>
            {troubles[one].title}
          </button>
        ))}
      </div>
      <p className="soft">{troubles[world].tell}</p>
      <div role="group" aria-label="How hard">
        <button type="button" className="press" aria-pressed={grade === undefined} onClick={() => setGrade(undefined)}>
          Any
        </button>
        {grades.map((one) => (
          <button key={one} type="button" className="press" aria-pressed={grade === one} onClick={() => setGrade(one)}>
            {one}
            <span className="unseen"> of 5</span>
          </button>
        ))}
        <span className="soft">how hard, 5 the hardest</span>
      </div>
      <button type="button" className="press main" disabled={busy} onClick={() => onBegin({ aim, world, grade })}>
        {main}
      </button>
      <OpenFile
        accept=".yaml,.yml"
        title="Open an exercise"
        onText={(text) => onBegin({ text })}
        onRefused={onRefused}
      />
    </section>
  );
}
