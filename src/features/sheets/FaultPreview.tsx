import { Select } from 'antd';
import { useMemo } from 'react';
import { type Sheet } from '@/core/sheet';
import { PictureView } from '@/ui';
import { lookOf } from './editorModel';
import styles from './sheets.module.css';

interface FaultPreviewProps {
  readonly sheet: Sheet;
  readonly chosen: string | undefined;
  onChoose(fault: string): void;
}

/** Rails named one by one; of more than these only their number is told. */
const namedRails = 5;

/** What a fault of the sheet would look like. */
export function FaultPreview({ sheet, chosen, onChoose }: FaultPreviewProps) {
  const faults = [...sheet.faults.values()];
  const id = chosen !== undefined && sheet.faults.has(chosen) ? chosen : faults[0]?.id;
  const look = useMemo(() => (id === undefined ? undefined : lookOf(sheet, id)), [sheet, id]);
  if (!look) return null;
  return (
    <section aria-label="What a fault would look like">
      <h2 className="label">What would this fault look like?</h2>
      <Select
        showSearch
        optionFilterProp="label"
        value={id!}
        onChange={onChoose}
        options={faults.map((fault) => ({ value: fault.id, label: fault.title }))}
        aria-label="Fault"
        className={styles.select}
      />
      <div className={styles.look}>
        <PictureView picture={look.picture} />
        <ul>
          <li>
            <b>{look.shows}</b>
          </li>
          {look.blinks > 0 && <li>{look.blinks} blinks</li>}
          {look.signs.map((sign) => (
            <li key={sign}>{sign}</li>
          ))}
          {look.rails.slice(0, namedRails).map((rail) => (
            <li key={rail.title}>
              {rail.title} {rail.words}
            </li>
          ))}
          {look.rails.length > namedRails && (
            <li className="soft">and {look.rails.length - namedRails} more rails not right</li>
          )}
        </ul>
      </div>
    </section>
  );
}
