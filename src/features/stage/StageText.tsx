import { Button } from 'antd';
import { OpenFile, useDraft, WriteFile } from '@/ui';
import { type ShippedStage } from '@/sheets/stages';
import styles from './stage.module.css';

interface StageTextProps {
  readonly stages: readonly ShippedStage[];
  readonly text: string;
  onText(text: string): void;
  onRefused(message: string): void;
}

/** The netlist as text: typed, kept, or from a file. */
export function StageText({ stages, text, onText, onRefused }: StageTextProps) {
  const { draft, keep } = useDraft('stage-text');
  const edit = (next: string) => {
    onText(next);
    keep(next);
  };
  return (
    <section className={styles.text} aria-label="The stage as text">
      <div className={styles.files}>
        <OpenFile accept=".cir,.net,.txt,.sp" onText={edit} onRefused={onRefused} />
        <WriteFile name="stage.cir" type="text/plain" text={() => text} />
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
