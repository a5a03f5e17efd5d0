import Link from 'next/link';
import { formatQuantity } from '@/core/quantity';
import { type SetVoltage } from '@/core/sheet';

interface ToSetListProps {
  /** Not empty. */
  readonly list: readonly SetVoltage[];
  /** The job on whose set they are set; without it there is no way there yet. */
  readonly job?: string;
}

/** What is to be set on a board that is put in anew, and to how much. */
export function ToSetList({ list, job }: ToSetListProps) {
  return (
    <>
      {list.map(({ step, volts, unread }, place) => (
        <span key={step.title}>
          {place > 0 && ', '}
          {step.title} to <b className="figure">{formatQuantity(volts, 'V').replace(' ', '\u00a0')}</b>
          {unread && ', a guess until the label is read'}
        </span>
      ))}
      {job !== undefined && (
        <>
          {'. '}
          <Link href={`/job/${job}/setup`}>Set the rails</Link>
        </>
      )}
    </>
  );
}
