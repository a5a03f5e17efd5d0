import { Button } from 'antd';
import { useMemo } from 'react';
import { traceOf } from '@/core/tracing';

interface TakeUpProps {
  readonly lines: readonly string[];
  onTake(): void;
}

/** What was traced on another set of the kind, to be gone on with on this one. */
export function TakeUp({ lines, onTake }: TakeUpProps) {
  const { parts, facts } = useMemo(() => traceOf(lines), [lines]);
  return (
    <div className="task">
      <small>Another set of its kind was here</small>
      <b>
        {parts.length === 1 ? 'One part was' : `${parts.length} parts were`} traced on it, {facts.length} beeps
      </b>
      <span>Boards of one number may differ: beep a few of them again before you build on it.</span>
      <div>
        <Button type="primary" onClick={onTake}>
          Take it up
        </Button>
      </div>
    </div>
  );
}
