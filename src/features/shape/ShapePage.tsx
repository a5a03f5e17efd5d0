'use client';

import Link from 'next/link';
import { useMemo, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { attempt, Refusal } from '@/core/quantity';
import { crosshatchSaid, lengthsSaid, shapeControls, shapeLine, shapeWalk } from '@/core/setup';
import { type JobFile, JobFrame, useJob, ofSentJob } from '@/workshop/job';
import { sendPhoto } from '@/workshop/photo';
import { ByRule, type ByRuleFound } from './ByRule';
import { Measured } from './Measured';
import { Photographs } from './Photographs';
import { PhotographForm } from './PhotographForm';
import { PhotoView } from './PhotoView';
import { Standing } from './Standing';
import styles from './shape.module.css';
import { type Asked, screenShapes, usual, widthOf } from './shapeModel';
import { Unsure } from './Unsure';
import { usePhotograph } from './usePhotograph';

/** The picture’s shape and colours from a photograph of a crosshatch: how far off, what to turn, and what it came to. */
export const ShapePage = ofSentJob(function ShapePage({ file }: { file: JobFile }) {
  const { log, job } = useJob(file);
  const walk = useMemo(() => shapeWalk(log.entries, shapeControls(file.sheet)), [log.entries, file.sheet]);
  const [asked, setAsked] = useState<Asked>(usual);
  const [byRule, setByRule] = useState<ByRuleFound>();
  const pattern = { across: Number(asked.across), down: Number(asked.down) };
  const aspect = screenShapes[asked.form];
  const photograph = usePhotograph(pattern);
  const { photo, crossings, corners, placed, busy, message, takeBack } = photograph;
  const said = useMemo(
    () =>
      photo &&
      attempt(() =>
        crosshatchSaid(crossings, photo.pattern, {
          aspect,
          millimetres: widthOf(asked.wide),
          overscan: 0,
          tubes: file.sheet.technology === 'projection-tubes' ? 3 : 1,
          ...(placed && corners && { corners }),
        }),
      ),
    [photo, crossings, aspect, asked.wide, placed, corners, file.sheet.technology],
  );
  useHotkeys('alt+z', takeBack, { enabled: photograph.moved > 0, preventDefault: true, enableOnFormTags: true });
  const [sending, setSending] = useState(false);
  const record = async () => {
    if (!photo || !said || said instanceof Refusal) return;
    setSending(true);
    const sent = await sendPhoto(file.id, photo.picture);
    setSending(false);
    log.record([{ body: { ...shapeLine(said), ...('id' in sent && { photo: sent.id }) } }]);
    photograph.putAway();
    if ('refused' in sent) photograph.setMessage(`Measured and recorded, without its photograph. ${sent.refused}`);
  };

  return (
    <JobFrame file={file} log={log} bench={job.bench}>
      <div className={styles.page}>
        <section className={`task ${styles.card}`} aria-label="Photograph">
          {!photo && (
            <>
              <h1>{walk.open.length > 0 ? 'Photograph it again' : 'Photograph the crosshatch'}</h1>
              <p className="soft">
                Straight on, in focus, all of the glass in the picture, no other light. The set warm for ten minutes.{' '}
                <Link href="/patterns?show=crosshatch" target="_blank">
                  The pattern
                </Link>
              </p>
            </>
          )}
          <PhotographForm
            asked={asked}
            label={busy ? 'Reading …' : photo ? 'Another photograph' : 'Choose the photograph'}
            main={!photo && !byRule && !(walk.latest && walk.open.length === 0)}
            onAsked={setAsked}
            onPicture={photograph.read}
          />
          {message && (
            <p role="alert" className="bad">
              {message}
            </p>
          )}
          {!photo && (
            <ByRule
              key={log.entries.length}
              onFound={setByRule}
              onRecord={() => {
                if (byRule) log.record([{ body: shapeLine(lengthsSaid(byRule)) }]);
                setByRule(undefined);
              }}
            />
          )}
          {!photo && <Photographs job={file.id} photos={walk.photos} />}
          {photo && corners && (
            <>
              <PhotoView
                photo={photo}
                crossings={crossings}
                corners={corners}
                onCorners={photograph.moveCorners}
                onMove={photograph.moveCrossing}
              />
              <Unsure crossings={crossings} moved={photograph.moved} onTakeBack={takeBack} />
              {said instanceof Refusal ? (
                <p role="alert" className="bad">
                  {said.message}
                </p>
              ) : (
                <p className={styles.take}>
                  <button
                    type="button"
                    className={placed ? 'press main' : 'press'}
                    disabled={sending}
                    onClick={() => void record()}
                  >
                    Record it
                  </button>
                  <button
                    type="button"
                    className={placed ? 'press' : 'press main'}
                    aria-pressed={placed !== undefined}
                    onClick={() => photograph.place(!placed)}
                  >
                    {placed ? 'Corners are right' : 'The rings are on the corners of the glass'}
                  </button>
                  {placed === 'by itself' && (
                    <span className="soft">Found by the edge of the glass. Look whether the rings lie on it.</span>
                  )}
                  {!placed && (
                    <span className="soft">
                      Without corners size, place, tilt and trapezium cannot be told from the camera.
                    </span>
                  )}
                </p>
              )}
            </>
          )}
        </section>
        <section className={styles.side} aria-label="What it shows">
          {said && !(said instanceof Refusal) ? (
            <Measured said={said} pattern={photo!.pattern} aspect={aspect} />
          ) : byRule && !photo ? (
            <Measured said={lengthsSaid(byRule)} pattern={byRule} aspect={byRule.aspect} />
          ) : (
            <Standing walk={walk} onTurned={(turned) => log.record([{ body: { kind: 'turned', ...turned } }])} />
          )}
        </section>
      </div>
    </JobFrame>
  );
});
