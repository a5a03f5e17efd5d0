import { useMemo, useState } from 'react';
import { behindLampCaution, type PowerPlan } from '@/core/safety';
import { type JobFile, type JobLog } from '@/workshop/job';
import { TakeSteps } from './TakeSteps';
import { AgreeOnSteps } from './AgreeOnSteps';
import { agreedPlan, mainRail, usualPlan } from './powerModel';

interface FirstPowerProps {
  readonly file: JobFile;
  readonly log: JobLog;
  readonly live: boolean;
  /** The mains as measured, in volts, where somebody has. */
  readonly mains: number | undefined;
}

/** First power in stages: agreed on before, compared after. */
export function FirstPower({ file, log, live, mains: measured }: FirstPowerProps) {
  const agreed = useMemo(() => agreedPlan(log.entries), [log.entries]);
  const [anew, setAnew] = useState(false);
  const degauss = behindLampCaution(file.sheet);
  const agree = ({ lamp, ...plan }: PowerPlan) => {
    log.record([{ body: { kind: 'plan', lampWatts: lamp.watts, lampVolts: lamp.volts, ...plan } }]);
    setAnew(false);
  };
  return (
    <section aria-label="First power">
      <h1>First power in stages</h1>
      {degauss !== undefined && <p className="caution">{degauss}</p>}
      {agreed && !anew ? (
        <TakeSteps
          agreed={agreed}
          live={live}
          onStep={(step, volts) => log.record([{ body: { kind: 'step', step: step.id, volts } }])}
          onAnew={() => setAnew(true)}
        />
      ) : (
        <AgreeOnSteps
          usual={agreed?.plan ?? usualPlan(file.sheet, measured, file.habits)}
          rail={mainRail(file.sheet)}
          onAgree={agree}
        />
      )}
    </section>
  );
}
