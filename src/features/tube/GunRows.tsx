import Link from 'next/link';
import { type Gun, type GunMeasure, gunMeasures, gunUnits } from '@/core/log';
import { tells } from '@/core/setup';
import { chanceText, dateText, VerdictMark } from '@/ui';
import { gunName, type GunWalk, markOfGun, signWords, type weaknessOf, weaknessWords } from './tubeModel';
import styles from './tube.module.css';

interface GunRowsProps {
  readonly walk: GunWalk;
  readonly driver: ReturnType<typeof weaknessOf>;
  readonly jobId: string;
}

const percent = (share: number) => Math.round(100 * share);
const order = Object.keys(gunUnits) as GunMeasure[];

/** Every gun as it stands, by what; and whether the set drives it as it should. */
export function GunRows({ walk, driver, jobId }: GunRowsProps) {
  return (
    <section aria-label="Guns" className={styles.rows}>
      <h2 className="label">Emission, of what a good gun gives</h2>
      <ul data-testid="guns">
        {walk.guns.map((gun) => (
          <GunRow key={gun} gun={gun} walk={walk} />
        ))}
      </ul>
      {walk.guns.length > 1 && (
        <>
          <h2 className="label">Driver or tube?</h2>
          {driver.weak.length > 0 ? (
            <ul className={styles.driver} data-testid="driver-or-tube">
              {driver.weak.map((one) => (
                <li key={one.gun} data-weak={one.because ? '' : undefined}>
                  <b>{one.gun}</b> {weaknessWords(one)}
                </li>
              ))}
            </ul>
          ) : (
            <p className="soft">
              Told by the cut-offs and the cathode volts on a grey picture.{' '}
              {driver.toRead.length > 0 && (
                <>
                  Still to be read at the <Link href={`/job/${jobId}/bench`}>bench</Link>:{' '}
                  {driver.toRead.map(({ title }) => title).join(', ')}.
                </>
              )}
            </p>
          )}
        </>
      )}
    </section>
  );
}

function GunRow({ gun, walk }: { gun: Gun; walk: GunWalk }) {
  const judged = walk.judged.get(gun);
  const readings = walk.readings.get(gun) ?? {};
  const past = walk.past.get(gun);
  return (
    <li data-gun={gun} data-asked={walk.next?.gun === gun ? '' : undefined}>
      <VerdictMark mark={markOfGun(judged)} size={22} />
      <b>{gunName(gun)}</b>
      <span className={`figure ${styles.share}`}>{judged ? `${percent(judged.share.mid)} %` : 'not read'}</span>
      {judged ? (
        <svg viewBox="0 0 100 12" preserveAspectRatio="none" className={styles.range} aria-hidden>
          <rect width={100} height={12} data-trough />
          <rect x={0} width={percent(judged.share.mid)} height={12} data-share />
          <path d={`M${percent(judged.share.low)} 6H${percent(judged.share.high)}`} data-spread />
          <path d="M65 0V12" data-limit />
        </svg>
      ) : (
        <span />
      )}
      <small>
        {judged && (
          <>
            worn {chanceText(judged.worn)}, between {percent(judged.share.low)} and {percent(judged.share.high)} %
          </>
        )}
      </small>
      <small className={styles.by}>
        {order
          .filter((measure) => readings[measure] !== undefined)
          .map((measure) => `${gunMeasures[measure]} ${readings[measure]} ${gunUnits[measure]}`)
          .join(' · ')}
      </small>
      {judged && (
        <small className={styles.by}>
          {judged.signs.map((sign, place) => (
            <span key={sign.against}>
              {place > 0 && ' · '}
              {tells(sign) ? <b>{signWords(sign)}</b> : signWords(sign)}
            </span>
          ))}
        </small>
      )}
      {past && (
        <small className={styles.by}>
          {dateText(new Date(past.at).toISOString())}: {past.emission} µA, {percent(past.kept)} % of it is left
        </small>
      )}
    </li>
  );
}
