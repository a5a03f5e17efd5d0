import { type Check } from '@/core/behaviour';
import { LiveMeter, MeterChoice } from '@/workshop/meter';
import { type useBenchMeter } from './useBenchMeter';

interface MeterViewProps {
  readonly meter: ReturnType<typeof useBenchMeter>;
  readonly simulated: boolean;
  /** A store is measured, not what is asked for. */
  readonly proving: boolean;
  readonly check: Check | undefined;
}

/** Which meter is listened to, and its figure while one is waited for. */
export function MeterView({ meter, simulated, proving, check }: MeterViewProps) {
  return (
    <>
      <MeterChoice simulated={simulated} source={meter.source} onSource={meter.setSource} trace={meter.trace} />
      {meter.reads && meter.source && check && (
        <LiveMeter view={meter.view} unit={proving ? 'V' : check.unit} title={meter.title} trace={meter.trace} />
      )}
    </>
  );
}
