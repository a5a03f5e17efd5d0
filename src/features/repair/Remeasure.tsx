'use client';

import { useRef } from 'react';
import { type Case, contextFor, secondsToProve, type Verification } from '@/core/diagnosis';
import { type LogBody } from '@/core/log';
import { type Symptom } from '@/core/picture';
import { answerText } from '@/core/reading';
import { AskedReading } from '@/workshop/asked';
import { clockText } from '@/ui';

interface RemeasureProps {
  readonly open: Verification | undefined;
  readonly job: Case;
  record(lines: readonly LogBody[]): void;
}

/** Pictures to choose from after a repair: right, as it was, or with one of several troubles left. */
function picturesAfter(before: readonly Symptom[]): (readonly Symptom[])[] {
  const left = before.length > 1 ? before.map((symptom) => [symptom]) : [];
  return [['normal'], before, ...left];
}

/** The one reading to take again now, with the step that its state needs. */
export function Remeasure({ open, job, record }: RemeasureProps) {
  const input = useRef<HTMLInputElement>(null);
  if (!open) return null;
  const { predictions, bench } = job;
  const check = predictions.checks.get(open.check)!;
  const { answer, context } = open.before;
  const wanted = { ...contextFor(bench.context, check.state), unplugged: context.unplugged, warm: bench.context.warm };
  const lasting = secondsToProve(answer);
  return (
    <AskedReading
      job={job}
      check={check}
      wanted={wanted}
      label="Measure again"
      how={
        <>
          {check.where}. It was {answerText(check, answer)}.
          {lasting > 0 &&
            ` It went off by itself: a right picture counts once the set has run for ${clockText(lasting)}.`}
        </>
      }
      entry="Reading after the repair"
      pictures={check.measure === 'picture' ? picturesAfter(answer.kind === 'picture' ? answer.symptoms : []) : []}
      input={input}
      onRecord={record}
    />
  );
}
