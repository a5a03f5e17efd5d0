import { useMemo } from 'react';
import { type Case } from '@/core/diagnosis';
import { nextToFail, type ReturnsSeen, returnRisk, shareLeft, warrantyMonths } from '@/core/proof';
import { replacedParts } from '@/core/repair';
import { chanceText } from '@/ui';
import { type JobFile } from '@/workshop/job';
import styles from './close.module.css';

interface BackAgainProps {
  readonly file: JobFile;
  readonly job: Case;
  readonly seen: ReturnsSeen;
}

/** How likely the set is back within a year, why, and what warranty that bears. */
export function BackAgain({ file: { sheet, closed }, job: { bench }, seen }: BackAgainProps) {
  const share = useMemo(
    () => shareLeft(nextToFail(sheet, closed), replacedParts(bench.repairs)),
    [sheet, closed, bench],
  );
  const { any, same, other } = returnRisk(seen, 1, share);
  const months = warrantyMonths(seen, share);
  return (
    <section aria-label="Back again">
      <h2>Back within a year</h2>
      <p className={styles.back}>
        <b className="figure">{chanceText(any)}</b>
        <span>
          the same {chanceText(same)}, another part {chanceText(other)}
        </span>
      </p>
      <p className="soft">
        {months > 0
          ? `A warranty of ${months} month${months === 1 ? '' : 's'} is claimed in one of ten. `
          : 'Even a month of warranty is claimed in more than one of ten. '}
        {reckonedFrom(seen)}
      </p>
    </section>
  );
}

function reckonedFrom({ sets, years, returns: { same, other } }: ReturnsSeen): string {
  const usual = 'ordinary restored sets (5 % and 10 % in the first year)';
  return sets === 0
    ? `Reckoned from ${usual}.`
    : `From ${usual} and ${sets} of yours: ${same + other} back in ${years.toFixed(0)} set-years.`;
}
