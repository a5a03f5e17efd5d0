'use client';

import Link from 'next/link';
import { useEffect, useMemo, useRef, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { type Corners } from '@/core/crosshatch';
import { attempt, Refusal } from '@/core/quantity';
import { crosshatchSaid, lengthsSaid, shapeLine, shapeWalk } from '@/core/setup';
import { type JobFile, JobFrame, useJob } from '@/workshop/job';
import { pictureTooLarge } from '@/ui';
import { PhotoReader } from '@/workers/crosshatch';
import { ByRule, type ByRuleFound } from './ByRule';
import { Measured } from './Measured';
import { PhotographForm } from './PhotographForm';
import { PhotoView } from './PhotoView';
import { Standing } from './Standing';
import styles from './shape.module.css';
import {
  type Asked,
  likelyCorners,
  movedOn,
  type Node,
  type Photo,
  screenShapes,
  usual,
  widthOf,
  withMoved,
} from './shapeModel';
import { Unsure } from './Unsure';

/** The picture’s shape and colours from a photograph of a crosshatch: how far off, what to turn, and what it came to. */
export function ShapePage({ file }: { file: JobFile }) {
  const { log, job } = useJob(file);
  const walk = useMemo(() => shapeWalk(log.entries), [log.entries]);
  const [asked, setAsked] = useState<Asked>(usual);
  const [photo, setPhoto] = useState<Photo>();
  /** Crossings that were put in their places by hand, in the order of the moves. */
  const [moved, setMoved] = useState<readonly Node[]>([]);
  const crossings = useMemo(() => withMoved(photo?.crossings ?? [], moved), [photo, moved]);
  const [corners, setCorners] = useState<Corners>();
  /** Whether somebody has said that the corners are where they should be. */
  const [placed, setPlaced] = useState(false);
  const [busy, setBusy] = useState(false);
  const [message, setMessage] = useState<string>();
  const [byRule, setByRule] = useState<ByRuleFound>();
  const reader = useRef<PhotoReader>(undefined);
  useEffect(() => () => reader.current?.close(), []);

  const pattern = { across: Number(asked.across), down: Number(asked.down) };
  const aspect = screenShapes[asked.form];
  const read = (picture: File) => {
    const tooLarge = pictureTooLarge(picture);
    if (tooLarge !== undefined) return setMessage(tooLarge);
    reader.current ??= new PhotoReader();
    setBusy(true);
    setMessage(undefined);
    reader.current.read(picture, pattern, (found) => {
      setBusy(false);
      if ('refused' in found) return setMessage(found.refused);
      const next = { ...found, url: URL.createObjectURL(picture), pattern };
      if (photo) URL.revokeObjectURL(photo.url);
      setPhoto(next);
      setMoved([]);
      // A camera on a stand sees the glass where it was.
      if (!corners || photo?.width !== next.width || photo.height !== next.height) {
        setCorners(likelyCorners(next));
        setPlaced(false);
      }
    });
  };
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
  const takeBack = () => setMoved((before) => before.slice(0, -1));
  useHotkeys('alt+z', takeBack, { enabled: moved.length > 0, preventDefault: true, enableOnFormTags: true });
  const record = () => {
    if (!said || said instanceof Refusal) return;
    log.record([{ body: shapeLine(said) }]);
    URL.revokeObjectURL(photo!.url);
    setPhoto(undefined);
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
            onPicture={read}
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
          {photo && corners && (
            <>
              <PhotoView
                photo={photo}
                crossings={crossings}
                corners={corners}
                onCorners={setCorners}
                onMove={(crossing, to) => setMoved((before) => movedOn(before, crossing, to))}
              />
              <Unsure crossings={crossings} moved={moved.length} onTakeBack={takeBack} />
              {said instanceof Refusal ? (
                <p role="alert" className="bad">
                  {said.message}
                </p>
              ) : (
                <p className={styles.take}>
                  <button type="button" className={placed ? 'press main' : 'press'} onClick={record}>
                    Record it
                  </button>
                  <button
                    type="button"
                    className={placed ? 'press' : 'press main'}
                    aria-pressed={placed}
                    onClick={() => setPlaced(!placed)}
                  >
                    {placed ? 'Corners are right' : 'The rings are on the corners of the glass'}
                  </button>
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
            <Standing
              walk={walk}
              onTurned={(control, end) => log.record([{ body: { kind: 'turned', control, end } }])}
            />
          )}
        </section>
      </div>
    </JobFrame>
  );
}
