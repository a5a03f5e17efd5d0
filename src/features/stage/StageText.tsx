import { Button } from 'antd';
import { useMemo } from 'react';
import { type Refusal } from '@/core/quantity';
import { OpenFile, SourceEditor, type SourceTrouble, useDraft, WriteFile } from '@/ui';
import { type ShippedStage } from '@/sheets/stages';
import styles from './stage.module.css';

interface StageTextProps {
  readonly stages: readonly ShippedStage[];
  readonly text: string;
  /** Why it cannot be read; undefined where it can. */
  readonly refused: Refusal | undefined;
  onText(text: string): void;
  onRefused(message: string): void;
}

/** What is wrong, at the line it names. */
const troubleOf = (refused: Refusal | undefined): SourceTrouble[] =>
  refused?.at.line === undefined ? [] : [{ line: refused.at.line, message: refused.message, severity: 'error' }];

/** Names that stand in a netlist: elements, nodes and models. */
const wordsOf = (text: string): string[] => [...new Set(text.match(/[A-Za-z][\w.-]+/g))];

/** The netlist as text: typed, kept, or from a file. */
export function StageText({ stages, text, refused, onText, onRefused }: StageTextProps) {
  const troubles = useMemo(() => troubleOf(refused), [refused]);
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
      <SourceEditor
        label="Netlist"
        language="netlist"
        value={text}
        words={wordsOf}
        troubles={troubles}
        onChange={edit}
      />
    </section>
  );
}
