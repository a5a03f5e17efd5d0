'use client';

import { predictionsOf } from '@/core/behaviour';
import { type LogBody, replay } from '@/core/log';
import { useMemo } from 'react';
import { checkOfNode, insideBlock, type StageReading, whyNotInside } from '@/core/inside';
import { type JobFile, JobFrame, useLog, ofSentJob } from '@/workshop/job';
import { type ShippedStage } from '@/sheets/stages';
import { StageScreen } from './StageScreen';

/** Inside a block of a set on the bench: what is read here is recorded on the job. */
export const JobStage = ofSentJob(function JobStage({
  file,
  block,
  stages,
}: {
  file: JobFile;
  block: string;
  stages: readonly ShippedStage[];
}) {
  const log = useLog(file);
  const { sheet } = file;
  const { checks } = predictionsOf(sheet);
  const bench = useMemo(() => replay(log.entries, [...sheet.stores.keys()]), [log.entries, sheet]);
  const inside = useMemo(() => insideBlock(sheet, block, checks, bench), [sheet, block, checks, bench]);

  const record = ({ node, measure, volts }: StageReading) => {
    const check = measure === 'volts' ? checkOfNode(sheet, checks, block, node) : undefined;
    const body: LogBody = check
      ? {
          kind: 'reading',
          check: check.id,
          answer: { kind: 'number', value: volts, shape: 'settled' },
          text: `${node} ${volts}`,
        }
      : { kind: 'inside', block, node, measure, volts };
    log.record([{ body }]);
  };
  const takeBack = () => {
    const standing = new Set(inside?.readings.map(({ entry }) => entry));
    const last = log.entries.findLast(({ id }) => standing.has(id));
    if (last) log.takeBack(last.id);
  };
  return (
    <JobFrame file={file} log={log} bench={bench}>
      <StageScreen
        stages={stages}
        inside={inside && { ...inside, job: file.id, refusal: whyNotInside(bench), record, takeBack }}
      />
    </JobFrame>
  );
});
