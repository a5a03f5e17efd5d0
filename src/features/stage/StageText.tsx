import { Button, Select } from 'antd';
import { OpenFile, useDraft, WriteFile } from '@/ui';
import { type Stage } from './StageDesk';
import styles from './stage.module.css';

interface StageTextProps {
  readonly stages: readonly Stage[];
  readonly text: string;
  onText(text: string): void;
  /** Another stage, with other nodes. */
  onStage(stage: Stage): void;
  onRefused(message: string): void;
  /** What a written file holds. */
  readonly written: string;
}

/** The netlist as text: a stage that ships, one's own, or a file. */
export function StageText({ stages, text, onText, onStage, onRefused, written }: StageTextProps) {
  const { draft, keep } = useDraft('stage-text');
  const edit = (next: string) => {
    onText(next);
    keep(next);
  };
  return (
    <section className={styles.text} aria-label="The stage as text">
      <Select
        aria-label="Stage"
        placeholder="Start from a stage that ships"
        value={stages.find((stage) => stage.text === text)?.id ?? null}
        options={stages.map(({ id, title }) => ({ value: id, label: title }))}
        onChange={(id: string) => onStage(stages.find((stage) => stage.id === id)!)}
      />
      <div className={styles.files}>
        <OpenFile accept=".cir,.net,.txt,.sp" onText={edit} onRefused={onRefused} />
        <WriteFile name="stage.cir" type="text/plain" text={written} />
      </div>
      {draft !== null && draft !== text && stages.some((stage) => stage.text === text) && (
        <p role="note">
          What you typed before is kept here. <Button onClick={() => edit(draft)}>Go on with it</Button>
        </p>
      )}
      <textarea
        className="figure source"
        value={text}
        spellCheck={false}
        aria-label="Netlist"
        onChange={(event) => edit(event.target.value)}
      />
    </section>
  );
}
