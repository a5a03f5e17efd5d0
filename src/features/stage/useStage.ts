import { useVerdict } from '@/workshop/stage';
import { useDeferredValue, useMemo, useState } from 'react';
import { partSuspects, Stage } from '@/core/circuit';
import { type BlockInside, measured, type StageReading } from '@/core/inside';
import { attempt, Refusal } from '@/core/quantity';
import { type ShippedStage } from '@/sheets/stages';
import { withReading } from './stageModel';

/** A block of a job’s set, with the way to record what is read there. */
export interface InsideOfJob extends BlockInside {
  readonly job: string;
  /** Why a reading would not count now; undefined where it would. */
  readonly refusal: string | undefined;
  record(reading: StageReading): void;
  takeBack(): void;
}

/**
 * The stage that is looked at with its readings and what explains them: a block of the job until another stage is chosen,
 * whose readings are kept on the page alone.
 */
export function useStage(stages: readonly ShippedStage[], first: string | undefined, inside: InsideOfJob | undefined) {
  const [ownText, setText] = useState(inside ? undefined : (stages.find(({ id }) => id === first) ?? stages[0])?.text);
  /** Another stage was chosen than the job's. */
  const [away, setAway] = useState(inside === undefined);
  const [ownReadings, setReadings] = useState<readonly StageReading[]>([]);
  /** Counts stages begun: each begins as drawn. */
  const [begun, setBegun] = useState(0);
  const atJob = away ? undefined : inside;
  const text = ownText ?? inside?.text ?? '';
  const readings = atJob?.readings ?? ownReadings;

  const settled = useDeferredValue(text);
  const model = useMemo(() => attempt(() => Stage.open(settled)), [settled]);
  // While a text cannot be read, the ladder of the last good one stands.
  const [last, setLast] = useState<Stage>();
  const refused = model instanceof Refusal ? model : undefined;
  const opened = model instanceof Refusal ? undefined : model;
  if (opened && opened !== last) setLast(opened);
  const drawn = opened ?? last;
  const taken = useMemo(() => readings.filter(({ node }) => drawn?.volts.has(node)), [readings, drawn]);
  const volts = useMemo(() => measured(taken, 'volts'), [taken]);
  const { verdict, progress } = useVerdict(opened && settled, taken);
  const suspects = useMemo(
    () => (verdict && drawn ? partSuspects(verdict.suspects, verdict.nothing, drawn.circuit) : []),
    [verdict, drawn],
  );
  return {
    text,
    setText,
    settled,
    atJob,
    refused,
    drawn,
    begun,
    taken,
    volts,
    verdict,
    progress,
    suspects,
    startOver(next: string) {
      setText(next);
      setAway(true);
      setReadings([]);
      setBegun(begun + 1);
    },
    record(reading: StageReading) {
      if (atJob) atJob.record(reading);
      else setReadings(withReading(readings, reading));
    },
    takeBack: () => (atJob ? atJob.takeBack() : setReadings(readings.slice(0, -1))),
  };
}
