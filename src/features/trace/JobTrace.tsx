'use client';

import { useMemo } from 'react';
import { replay, standing } from '@/core/log';
import { type TracedPattern } from '@/core/tracing';
import { type JobFile, JobFrame, useLog, ofSentJob } from '@/workshop/job';
import { OntoChassis } from './OntoChassis';
import { TakeUp } from './TakeUp';
import { Trace } from './Trace';

interface JobTraceProps {
  readonly file: JobFile;
  readonly patterns: readonly TracedPattern[];
  /** What was traced on another set of its kind. */
  readonly before: readonly string[];
  readonly simulatedMeter: boolean;
}

/** A board of a set on the bench, traced; its lines stay with the job. */
export const JobTrace = ofSentJob(function JobTrace({ file, patterns, before, simulatedMeter }: JobTraceProps) {
  const log = useLog(file);
  const bench = useMemo(() => replay(log.entries, [...file.sheet.stores.keys()]), [log.entries, file.sheet]);
  const lines = useMemo(() => standing(log.entries, 'traced'), [log.entries]);
  const texts = useMemo(() => lines.map(({ body }) => body.text), [lines]);
  const plugs = useMemo(
    () => new Map([...file.sheet.connectors.values()].map(({ id, title }) => [id, title])),
    [file.sheet],
  );
  const add = (...added: readonly string[]) =>
    void log.record(added.map((text) => ({ body: { kind: 'traced', text } })));
  return (
    <JobFrame file={file} log={log} bench={bench}>
      <Trace
        patterns={patterns}
        title={`${file.title}, traced`}
        lines={texts}
        set={{ id: file.id, simulatedMeter, plugs }}
        off={bench.context.power === 'live' ? 'The set is live by its record: pull the plug first (Alt P).' : undefined}
        before={before.length > 0 && <TakeUp lines={before} onTake={() => add(...before)} />}
        further={(view) => file.closedAt === null && <OntoChassis file={file} lines={texts} view={view} />}
        add={add}
        takeBack={() => {
          const last = lines[lines.length - 1];
          if (last) log.takeBack(last.entry.id);
        }}
      />
    </JobFrame>
  );
});
