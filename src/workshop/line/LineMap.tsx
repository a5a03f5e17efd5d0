'use client';

import { useMemo } from 'react';
import { type ReadingRow } from '@/core/job';
import { type Case, type Suspect } from '@/core/diagnosis';
import { drawnLine } from './drawnLine';
import { type Line } from './line';
import { LineDrawing } from './LineDrawing';

interface LineMapProps {
  readonly line: Line;
  readonly job: Case;
  readonly rows: readonly ReadingRow[];
  readonly suspects: readonly Pick<Suspect, 'fault' | 'probability' | 'cured'>[];
  /** The net or block the focused probe is on. */
  readonly focusNet: string | undefined;
  readonly onPick: (net: string) => void;
}

/** The line of a job from the plug to the picture, as its readings and suspects stand. */
export function LineMap({ line, job, rows, suspects, focusNet, onPick }: LineMapProps) {
  const drawn = useMemo(() => drawnLine(line, job, rows, suspects), [line, job, rows, suspects]);
  return <LineDrawing line={drawn} focusNet={focusNet} onPick={onPick} />;
}
