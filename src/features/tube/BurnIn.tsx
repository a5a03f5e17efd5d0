import Link from 'next/link';
import { useEffect, useRef, useState } from 'react';
import { type Corners, pictureOf } from '@/core/crosshatch';
import { standing } from '@/core/log';
import { attempt, Refusal } from '@/core/quantity';
import { type BurntZone, zoneLoss, zonePlace } from '@/core/setup';
import { GlassPicture, PictureFile, pictureTooLarge } from '@/ui';
import { type JobLog } from '@/workshop/job';
import { type FieldRead, FieldReader } from '@/workers/burnIn';
import styles from './tube.module.css';

type Found = Exclude<FieldRead, { readonly refused: string }>;
const noteStart = 'Burn-in:';

/** The outline of a zone in the picture’s own points. */
function outline({ left, right, top, bottom }: BurntZone, corners: Corners): string | undefined {
  const onPicture = attempt(() => pictureOf(corners));
  if (onPicture instanceof Refusal) return undefined;
  return [
    { x: left, y: top },
    { x: right, y: top },
    { x: right, y: bottom },
    { x: left, y: bottom },
  ]
    .map(onPicture)
    .map(({ x, y }) => `${x.toFixed(1)},${y.toFixed(1)}`)
    .join(' ');
}

/** What each colour lost, where that differs. */
function colours(zone: BurntZone): string {
  const [, each] = zoneLoss(zone).split(': ');
  return each === undefined ? '' : ` · ${each}`;
}

/** What has burnt into the face of the tube, from a photograph of an even field. */
export function BurnIn({ log }: { log: JobLog }) {
  const [photo, setPhoto] = useState<{ readonly file: File; readonly url: string }>();
  const [found, setFound] = useState<Found>();
  const [corners, setCorners] = useState<Corners>();
  const [busy, setBusy] = useState(false);
  const [message, setMessage] = useState<string>();
  const reader = useRef<FieldReader>(undefined);
  useEffect(() => () => reader.current?.close(), []);
  useEffect(() => () => photo && URL.revokeObjectURL(photo.url), [photo]);
  const kept = standing(log.entries, 'note').findLast(({ body }) => body.text.startsWith(noteStart))?.body.text;

  const read = (file: File, at: Corners | undefined) => {
    const tooLarge = pictureTooLarge(file);
    if (tooLarge !== undefined) return setMessage(tooLarge);
    reader.current ??= new FieldReader();
    setBusy(true);
    setMessage(undefined);
    reader.current.read(file, at, (answer) => {
      setBusy(false);
      if ('refused' in answer) return setMessage(answer.refused);
      if (photo?.file !== file) setPhoto({ file, url: URL.createObjectURL(file) });
      setFound(answer);
      setCorners(answer.corners);
    });
  };
  const zones = found?.burnIn.zones ?? [];
  const said = zones.map((zone) => `${zonePlace(zone)} ${zoneLoss(zone)}`);
  const text = `${noteStart} ${said.length > 0 ? said.join('; ') : 'none seen'}`.slice(0, 2000);
  const moved = found !== undefined && corners !== found.corners;
  return (
    <div className={styles.two}>
      <section className={`task ${styles.card}`} aria-label="Photograph of the field">
        {!photo && (
          <>
            <h1>Photograph an even field</h1>
            <p className="soft">
              Light grey, straight on, the room dark, exposed so that nothing is white to its limit.{' '}
              <Link href="/patterns?show=white" target="_blank">
                The field
              </Link>
            </p>
          </>
        )}
        <p className={styles.settings}>
          <PictureFile
            label={busy ? 'Reading …' : photo ? 'Another photograph' : 'Choose the photograph'}
            main={!photo}
            onPicture={(file) => read(file, undefined)}
          />
          {moved && photo && (
            <button type="button" className="press main" onClick={() => read(photo.file, corners)}>
              Judge by these corners
            </button>
          )}
          {found && !moved && kept !== text && (
            <button type="button" className="press main" onClick={() => log.record([{ body: { kind: 'note', text } }])}>
              Note it
            </button>
          )}
        </p>
        {message && (
          <p role="alert" className="bad">
            {message}
          </p>
        )}
        {photo && found && corners && (
          <GlassPicture
            url={photo.url}
            width={found.width}
            height={found.height}
            label="Photograph of the field"
            corners={corners}
            onCorners={setCorners}
          >
            {zones.map((zone, index) => (
              <polygon
                key={index}
                className={styles.zone}
                points={outline(zone, found.corners)}
                strokeWidth={found.width / 300}
              />
            ))}
          </GlassPicture>
        )}
      </section>
      <section aria-label="Burnt zones" className={styles.rows}>
        <h2 className="label">Light that is lost</h2>
        {found ? (
          <>
            {zones.length === 0 && <p>None is seen: all of the field lies within what lens and tube make of it.</p>}
            <ul data-testid="burnt" className={styles.burnt}>
              {zones.map((zone, index) => (
                <li key={index}>
                  <b className="figure">{Math.round(100 * zone.loss.all)} %</b>
                  <span>{zonePlace(zone)}</span>
                  <small>
                    {(100 * zone.covers).toFixed(1)} % of the screen{colours(zone)}
                  </small>
                </li>
              ))}
            </ul>
            <p className="soft">
              Losses below {(100 * found.burnIn.least).toFixed(1)} % are not told from an uneven lens; the field wavers
              by {(100 * found.burnIn.noise).toFixed(1)} %.
            </p>
          </>
        ) : (
          <p className="soft">{kept ?? 'No field was photographed yet.'}</p>
        )}
      </section>
    </div>
  );
}
