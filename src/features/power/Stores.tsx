import { provenBelow, storeReading } from '@/core/log';
import { useEffect, useRef, useState } from 'react';
import { attempt, formatQuantity, Refusal } from '@/core/quantity';
import { anodeSteps, type DischargeTool, dischargeTool, readTool, toolOn, type StoreStand } from '@/core/safety';
import { type Sheet } from '@/core/sheet';
import { type JobLog } from '@/workshop/job';
import { clockText, LineEntry, type MarkName, say, useDraft, VerdictMark } from '@/ui';
import { dueStore, type StoreRow } from './powerModel';
import styles from './power.module.css';

interface StoresProps {
  readonly sheet: Sheet;
  readonly rows: readonly StoreRow[];
  readonly live: boolean;
  readonly log: JobLog;
  /** The discharge resistor of this bench, as it is typed. */
  readonly ownTool?: string;
}

const marks: Readonly<Record<StoreStand['kind'], MarkName>> = {
  unmeasured: 'unread',
  holds: 'high',
  recovered: 'high',
  low: 'within',
  'low twice': 'within',
};

/** As it is typed. */
const usualTool = `${formatQuantity(dischargeTool.ohms, 'Ω')} ${formatQuantity(dischargeTool.watts, 'W')}`;

/** What holds charge: predicted, discharged, measured, and measured again. */
export function Stores({ sheet, rows, live, log, ownTool = '' }: StoresProps) {
  const [line, setLine] = useState('');
  const [message, setMessage] = useState<string>();
  const { draft, keep } = useDraft('discharge-tool');
  const [toolTyped, setToolTyped] = useState<string>();
  const toolText = toolTyped ?? draft ?? (ownTool || usualTool);
  const tool = readTool(toolText);
  const steps = anodeSteps(sheet);
  const due = live ? undefined : dueStore(rows);
  useSpokenTimers(live ? [] : rows);
  const record = () => {
    if (live) return setMessage('the set is live by its record: pull the plug first (Alt P)');
    const read = attempt(() => storeReading(line.trim().split(/\s+/), sheet, due));
    if (read instanceof Refusal) return setMessage(read.message);
    log.record([{ body: read }]);
    setLine('');
    setMessage(undefined);
  };
  return (
    <section className={styles.stores} aria-label="Stores">
      <h2 className="label">Stores</h2>
      <LineEntry
        label="Volts of a store"
        value={line}
        placeholder={due ? `${due.id} …` : 'store volts'}
        maxLength={40}
        message={message}
        onType={(text) => {
          setLine(text);
          setMessage(undefined);
        }}
        onEnter={record}
      />
      <label className={styles.tool}>
        <span className="label">Discharge resistor</span>
        <input
          className="field figure"
          value={toolText}
          maxLength={20}
          aria-invalid={tool === undefined}
          onChange={(event) => {
            setToolTyped(event.target.value);
            keep(event.target.value);
          }}
        />
        {tool === undefined && <span className="bad">ohms and watts, like {usualTool}</span>}
      </label>
      <ul>
        {rows.map((row) => (
          <StoreItem key={row.store.id} row={row} live={live} due={row.store === due} tool={tool ?? dischargeTool} />
        ))}
      </ul>
      {steps.length > 0 && (
        <ol className={styles.anode}>
          {steps.map((step) => (
            <li key={step}>{step}</li>
          ))}
        </ol>
      )}
    </section>
  );
}

/** Says once when a store is due to be measured again. */
function useSpokenTimers(rows: readonly StoreRow[]): void {
  const waited = useRef(new Set<string>());
  useEffect(() => {
    for (const { store, stand } of rows) {
      if (stand.kind !== 'low') waited.current.delete(store.id);
      else if (stand.again > 0) waited.current.add(store.id);
      else if (waited.current.delete(store.id)) say(`${store.id}: measure it again`);
    }
  }, [rows]);
}

interface StoreItemProps {
  readonly row: StoreRow;
  readonly live: boolean;
  readonly due: boolean;
  readonly tool: DischargeTool;
}

function StoreItem({ row, live, due, tool }: StoreItemProps) {
  const { store, stand, bleed, learnt, readings } = row;
  const does = toolOn(store, tool);
  return (
    <li data-store={store.id} data-stand={live ? 'live' : stand.kind} data-due={due || undefined}>
      <header>
        <VerdictMark mark={live ? 'high' : marks[stand.kind]} size={20} />
        <b>{store.id}</b>
        <span className="soft">{store.title.replace(store.id, '').trim()}</span>
        <strong className="figure">{live ? formatQuantity(store.volts, 'V', 3) : voltsWords(stand)}</strong>
      </header>
      <p>
        {live ? 'charged while the set is live' : standWords(stand)}
        {bleed === undefined ? '; nothing drains it' : `; ${formatQuantity(bleed, 'Ω', 2)} drains it`}
        {learnt && ', learnt from two readings'}
      </p>
      <p className="soft">
        {store.place}.{' '}
        {does.highVoltage ? (
          'Only with a resistor probe made for high voltage'
        ) : (
          <>
            By {formatQuantity(tool.ohms, 'Ω')}: {formatQuantity(does.seconds, 's', 2)} to {provenBelow} V,{' '}
            {formatQuantity(does.peak, 'W', 2)} at first, {formatQuantity(does.average, 'W', 2)} on the way,{' '}
            {Number(does.joules.toPrecision(2))} J
            {does.tooHot && `: too hot for ${tool.watts} W, take more ohms or watts`}
          </>
        )}
        {readings.length > 1 && `. Read: ${readings.map(({ volts }) => `${volts} V`).join(', ')}`}
      </p>
    </li>
  );
}

const voltsWords = (stand: StoreStand) =>
  `${stand.kind === 'unmeasured' ? '≤ ' : ''}${formatQuantity(Math.round(stand.volts * 10) / 10, 'V', 3)}`;

function standWords(stand: StoreStand): string {
  switch (stand.kind) {
    case 'unmeasured':
      return 'predicted, nobody has measured it';
    case 'holds':
      return 'measured: still charged. Discharge it, then measure again';
    case 'recovered':
      return `recovered from ${formatQuantity(stand.from, 'V', 2)}: discharge it once more`;
    case 'low':
      return stand.again > 0
        ? `measured low; again in ${clockText(stand.again)}`
        : 'measured low; measure it again now';
    case 'low twice':
      return 'measured low twice, apart';
  }
}
