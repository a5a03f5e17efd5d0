'use client';

import { type ApexOptions } from 'apexcharts';
import dynamic from 'next/dynamic';
import { useEffect, useMemo, useRef, useState } from 'react';
import { Button, Select } from 'antd';
import { formatQuantity } from '@/core/quantity';
import { chartLook, palettes, useBenchTheme } from '@/ui';
import { type PartSuspect, type Stage, type StageRun, type StageSuspect, type Turned } from '@/core/circuit';
import { StageRunner } from '@/workers/circuit';
import { isTurned, nothingTurned } from './stageModel';
import { restless, settledSpan, timeScale } from './overTimeModel';
import styles from './stage.module.css';

const Chart = dynamic(() => import('react-apexcharts'), { ssr: false });

const most = 3;

interface OverTimeProps {
  readonly model: Stage;
  /** A suspect to show beside the stage as it should be. */
  readonly suspect: PartSuspect<StageSuspect> | undefined;
  readonly turned: Turned;
  /** Volts measured, drawn as levels. */
  readonly measured: ReadonlyMap<string, number>;
}

/** The stage through time: as it should be, and with the suspect or the turned values beside it. */
export function OverTime({ model, suspect, turned, measured }: OverTimeProps) {
  const all = useMemo(() => [...model.volts.keys()].filter((node) => node !== '0'), [model]);
  const [picked, setPicked] = useState<readonly string[]>();
  const nodes = useMemo(() => {
    const kept = (picked ?? []).filter((node) => all.includes(node));
    return kept.length > 0 ? kept : restless(model, all);
  }, [picked, all, model]);
  const [whole, setWhole] = useState(false);
  const last = whole ? undefined : settledSpan(model);
  const runner = useRef<StageRunner>(undefined);
  const fault = suspect?.leading.fault;
  const other = fault !== undefined || isTurned(turned);
  const [runs, setRuns] = useState<{ readonly key: string; readonly runs: readonly StageRun[] | undefined }>();
  const key = JSON.stringify([model.text, nodes, last, fault, [...turned.factors], [...turned.parameters]]);
  useEffect(() => {
    runner.current ??= new StageRunner();
    const request = { nodes, last, ...nothingTurned };
    runner.current.run(
      model.text,
      [request, ...(other ? [{ ...request, ...(fault ? { fault } : turned) }] : [])],
      (found) => setRuns({ key, runs: found }),
    );
    // The key stands for all that is asked.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key]);
  useEffect(() => () => runner.current?.close(), []);

  const { name } = useBenchTheme();
  const palette = palettes[name];
  const colours = [palette.petrol, palette.odd, palette.within].slice(0, nodes.length);
  const shown = runs?.runs;
  const second = fault ? suspect!.words : 'as turned';
  const scale = timeScale(shown?.[0]);
  const series = (shown ?? []).flatMap((run, index) =>
    nodes.map((node) => ({
      name: index === 0 ? node : `${node}, ${second}`,
      data: run.seconds.map((time, at): [number, number] => [
        (time - run.seconds[0]!) * scale.factor,
        run.volts.get(node)?.[at] ?? 0,
      ]),
    })),
  );
  const options: ApexOptions = {
    ...chartLook(name),
    colors: [...colours, ...colours.map(() => palette.copper)],
    stroke: { width: 2, dashArray: series.map((_, index) => (index < nodes.length ? 0 : 5)), curve: 'straight' },
    xaxis: {
      type: 'numeric',
      tickAmount: 8,
      title: { text: scale.unit },
      labels: { formatter: (time) => Number(time).toPrecision(3) },
      tooltip: { enabled: false },
    },
    yaxis: { labels: { formatter: (volts) => formatQuantity(volts, 'V', 3) }, tickAmount: 6 },
    legend: { position: 'top', horizontalAlign: 'left', fontSize: '14px', labels: { colors: palette.ink } },
    tooltip: { x: { formatter: (time) => `${time.toPrecision(3)} ${scale.unit}` } },
    annotations: {
      yaxis: nodes.flatMap((node) => {
        const volts = measured.get(node);
        return volts === undefined
          ? []
          : [
              {
                y: volts,
                borderColor: palette.high,
                label: { text: `${node} measured`, style: { color: palette.ink, background: palette.sheet } },
              },
            ];
      }),
    },
  };
  return (
    <div className={styles.overTime} data-testid="over-time" data-runs={runs?.key === key ? (shown?.length ?? 0) : ''}>
      <label>
        <span className="label">Nodes</span>
        <Select
          mode="multiple"
          aria-label="Nodes over time"
          maxCount={most}
          value={[...nodes]}
          options={all.map((node) => ({ value: node, label: node }))}
          onChange={(found: string[]) => setPicked(found)}
        />
        {settledSpan(model) !== undefined && (
          <Button aria-pressed={whole} onClick={() => setWhole(!whole)}>
            {whole ? 'A few periods' : 'From the start'}
          </Button>
        )}
      </label>
      {runs?.key === key && !shown && (
        <p role="alert" className="bad">
          The stage does not settle through time with this. Look at its volts instead.
        </p>
      )}
      <div className={styles.chart}>
        {series.length > 0 && <Chart type="line" height="100%" options={options} series={series} />}
      </div>
    </div>
  );
}
