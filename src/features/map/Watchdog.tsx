import { Button } from 'antd';
import { useEffect, useRef, useState } from 'react';
import { type Case } from '@/core/diagnosis';
import { SoakWatch, type Watched, watchedSaid } from '@/core/proof';
import { attempt, formatQuantity, Refusal, type Unit } from '@/core/quantity';
import { readMeterLine } from '@/instruments';
import { notice, say } from '@/ui';
import { type JobFile, type JobLog } from '@/workshop/job';
import { MeterChoice, type MeterSource, simulatedSource } from '@/workshop/meter';
import { watchedLines } from './mapModel';
import styles from './map.module.css';

interface WatchdogProps {
  readonly file: JobFile;
  readonly log: JobLog;
  readonly job: Case;
  /** Is a meter simulated here? */
  readonly simulated: boolean;
}

/** The meter left on a rail, or on a photocell before the screen, while nobody looks: what it does is on the record with its time. */
export function Watchdog({ file, log, job, simulated }: WatchdogProps) {
  const rails = [...job.predictions.checks.values()].filter(
    ({ measure, point, ground }) =>
      measure === 'dc' && ground !== 'hot' && file.sheet.nets.get(point?.net ?? '')?.kind === 'rail',
  );
  const [on, setOn] = useState(false);
  const [source, setSource] = useState<MeterSource | undefined>(simulated ? simulatedSource : undefined);
  const [rail, setRail] = useState('');
  const [shown, setShown] = useState<{
    readonly value: number;
    readonly unit: Unit | undefined;
    readonly usual?: number;
  }>();
  const [over, setOver] = useState(false);
  const check = rails.find(({ id }) => id === rail);
  const tell = useRef<(watched: Watched, usual: number) => void>(undefined);
  useEffect(() => {
    tell.current = (watched, usual) => {
      const words = watchedSaid(watched, check?.title ?? 'the light of the screen');
      log.record(watchedLines(watched, usual, words, check).map((body) => ({ body })));
      say(words);
      notice(file.title, words);
    };
  });
  const address = `/api/meter/${file.id}?watch=1&check=${encodeURIComponent(rail || (rails[0]?.id ?? ''))}`;
  useEffect(() => {
    if (!on || !source) return;
    const watch = new SoakWatch();
    return source.listen(address, {
      line(text) {
        const sample = attempt(() => readMeterLine(text));
        if (sample instanceof Refusal) return;
        const watched = watch.take(sample);
        const { usual } = watch;
        setShown({ value: sample.value, unit: sample.unit, ...(usual !== undefined && { usual }) });
        if (watched && usual !== undefined) tell.current?.(watched, usual);
      },
      end: () => setOver(true),
    });
  }, [on, source, address]);
  return (
    <div className={styles.watchdog}>
      <label>
        The meter is on{' '}
        <select className="field" value={rail} disabled={on} onChange={(event) => setRail(event.target.value)}>
          <option value="">a photocell before the screen</option>
          {rails.map(({ id, title }) => (
            <option key={id} value={id}>
              {title}
            </option>
          ))}
        </select>
      </label>
      {!on && <p className="soft">Its clips go on with the set off and proven; nothing is held by hand.</p>}
      {on ? (
        <p role="status" data-testid="watchdog">
          {over ? (
            'The meter is silent: nothing is watched.'
          ) : shown ? (
            <>
              <b className="figure">{formatQuantity(shown.value, shown.unit ?? 'V', 4)}</b>{' '}
              {shown.usual === undefined
                ? 'being learnt …'
                : `watched, usual ${formatQuantity(shown.usual, shown.unit ?? 'V', 4)}`}
            </>
          ) : (
            'waits for the meter …'
          )}
        </p>
      ) : (
        <MeterChoice simulated={simulated} source={source} onSource={setSource} />
      )}
      <Button
        disabled={!source}
        onClick={() => {
          setOn(!on);
          setOver(false);
          setShown(undefined);
        }}
      >
        {on ? 'Watch no more' : 'Let the meter watch'}
      </Button>
    </div>
  );
}
