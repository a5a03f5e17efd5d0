'use client';

import { provenBelow } from '@/core/log';
import { type ApexOptions } from 'apexcharts';
import dynamic from 'next/dynamic';
import { useMemo } from 'react';
import { formatQuantity } from '@/core/quantity';
import { chartLook, palettes, useBenchTheme } from '@/ui';
import { decayOf } from './decayModel';
import { type StoreRow } from './powerModel';
import styles from './power.module.css';

const Chart = dynamic(() => import('react-apexcharts'), { ssr: false });

interface DecayChartProps {
  readonly row: StoreRow;
  /** Seconds since 1970; the chart moves on with it every few seconds. */
  readonly unpluggedAt: number;
  readonly now: number;
}

const movesEvery = 5;

/** A store since the plug was pulled: what is predicted, and what was measured. */
export function DecayChart({ row, unpluggedAt, now }: DecayChartProps) {
  const { name } = useBenchTheme();
  const palette = palettes[name];
  const at = Math.ceil(now / movesEvery) * movesEvery;
  const { store, bleed, learnt } = row;
  const { predicted, measured } = useMemo(() => decayOf(row, unpluggedAt, at), [row, unpluggedAt, at]);
  const points = (all: readonly (readonly [number, number])[]) => all.map(([x, y]): [number, number] => [x, y]);
  const look = chartLook(name);
  const options: ApexOptions = {
    ...look,
    colors: [palette.petrol, palette.copper],
    stroke: { width: [2, 0], dashArray: [5, 0], curve: 'straight' },
    markers: { size: [0, 6] },
    xaxis: {
      type: 'numeric',
      tickAmount: 6,
      labels: { formatter: (time) => `${Math.round(Number(time))} s` },
      tooltip: { enabled: false },
    },
    yaxis: { min: 0, tickAmount: 4, labels: { formatter: (volts) => formatQuantity(volts, 'V', 3) } },
    grid: { ...look.grid, padding: { top: -16, bottom: -6 } },
    legend: { show: false },
    tooltip: { x: { formatter: (time) => `${Math.round(time)} s after the plug` } },
    annotations: {
      yaxis: [
        {
          y: provenBelow,
          borderColor: palette.within,
          label: {
            text: `${provenBelow} V`,
            position: 'left',
            textAnchor: 'start',
            style: { color: palette.ink, background: palette.sheet },
          },
        },
      ],
    },
  };
  return (
    <figure className={styles.decay} aria-label={`Decay of ${store.id}`}>
      <figcaption className="label">
        {store.id} since the plug was pulled
        {bleed === undefined ? ': nothing is known to drain it' : `, by ${formatQuantity(bleed, 'Ω', 2)}`}
        {learnt && ', learnt from two readings'}
      </figcaption>
      <Chart
        type="line"
        height={178}
        options={options}
        series={[
          { name: 'predicted', data: points(predicted) },
          { name: 'measured', data: points(measured) },
        ]}
      />
    </figure>
  );
}
