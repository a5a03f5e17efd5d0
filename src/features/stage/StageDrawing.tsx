'use client';

import { memo, useCallback, useMemo, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { LadderView } from './LadderView';
import { OverTime } from './OverTime';
import { type PartSuspect, type Stage, type StageSuspect } from '@/core/circuit';
import { isTurned, knobsOf, nothingTurned, settledWith } from './stageModel';
import { WhatIf } from './WhatIf';

interface StageDrawingProps {
  readonly model: Stage;
  readonly overTime: boolean;
  readonly measured: ReadonlyMap<string, number>;
  /** The suspect whose ladder is shown, and the part that is marked. */
  readonly looked: PartSuspect<StageSuspect> | undefined;
  readonly marked: string | undefined;
}

/** The ladder or the waveforms, with the values that are turned for a try. */
export const StageDrawing = memo(function StageDrawing(props: StageDrawingProps) {
  const { model, overTime, measured, looked, marked } = props;
  const [knob, setKnob] = useState<string>();
  const [turned, setTurned] = useState(nothingTurned);
  const tried = useMemo(() => (isTurned(turned) ? settledWith(model, turned) : undefined), [turned, model]);
  const knobs = useMemo(() => knobsOf(model.circuit), [model]);
  const turnPart = useCallback((label: string) => setKnob(knobs.find((one) => one.label === label)?.name), [knobs]);
  useHotkeys('alt+w', () => document.getElementById('what-if-part')?.focus(), {
    enableOnFormTags: true,
    preventDefault: true,
  });
  return (
    <>
      {overTime ? (
        <OverTime model={model} suspect={looked} turned={turned} measured={measured} />
      ) : (
        <LadderView
          ladder={model.ladder}
          measured={measured}
          predicted={looked?.leading.volts ?? tried}
          suspect={marked}
          onPart={turnPart}
        />
      )}
      <WhatIf
        knobs={knobs}
        parameters={model.circuit.parameters}
        chosen={knob}
        turned={turned}
        onChoose={setKnob}
        onTurn={setTurned}
        written={() => model.written(turned)}
      />
    </>
  );
});
