'use client';

import Link from 'next/link';
import { useEffect, useMemo, useRef, useState } from 'react';
import { type Corners } from '@/core/crosshatch';
import { attempt, Refusal } from '@/core/quantity';
import { crosshatchSaid, shapeLine, shapeWalk, wantedOf } from '@/core/setup';
import { type JobFile, JobFrame, useJob } from '@/workshop/job';
import { PhotoReader } from '@/workers/crosshatch';
import { PhotoView } from './PhotoView';
import { ScreenView } from './ScreenView';
import { Standing } from './Standing';
import styles from './shape.module.css';
import { likelyCorners, mostBytes, type Photo } from './shapeModel';

const shapes = { '4 : 3': 0.75, '16 : 9': 0.5625 } as const;

/** The picture’s shape and colours from a photograph of a crosshatch: how far off, what to turn, and what it came to. */
export function ShapePage({ file }: { file: JobFile }) {
  const { log, job } = useJob(file);
  const walk = useMemo(() => shapeWalk(log.entries), [log.entries]);
  const [across, setAcross] = useState('15');
  const [down, setDown] = useState('11');
  const [wide, setWide] = useState('400');
  const [form, setForm] = useState<keyof typeof shapes>('4 : 3');
  const [photo, setPhoto] = useState<Photo>();
  const [corners, setCorners] = useState<Corners>();
  /** Whether somebody has said that the corners are where they should be. */
  const [placed, setPlaced] = useState(false);
  const [busy, setBusy] = useState(false);
  const [message, setMessage] = useState<string>();
  const reader = useRef<PhotoReader>(undefined);
  useEffect(() => () => reader.current?.close(), []);

  const pattern = { across: Number(across), down: Number(down) };
  const aspect = shapes[form];
  const read = (picture: File) => {
    if (picture.size > mostBytes)
      return setMessage(
        `${picture.name} has ${Math.round(picture.size / 1e6)} MB; up to 60 MB are read: save it smaller`,
      );
    reader.current ??= new PhotoReader();
    setBusy(true);
    setMessage(undefined);
    reader.current.read(picture, pattern, (found) => {
      setBusy(false);
      if ('refused' in found) return setMessage(found.refused);
      const next = { ...found, url: URL.createObjectURL(picture), pattern };
      if (photo) URL.revokeObjectURL(photo.url);
      setPhoto(next);
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
        crosshatchSaid(photo.crossings, photo.pattern, {
          aspect,
          millimetres: Number(wide) > 0 ? Number(wide) : 400,
          overscan: 0,
          ...(placed && corners && { corners }),
        }),
      ),
    [photo, aspect, wide, placed, corners],
  );
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
          <p className={styles.take}>
            <label className={photo || (walk.latest && walk.open.length === 0) ? 'press' : 'press main'}>
              {busy ? 'Reading …' : photo ? 'Another photograph' : 'Choose the photograph'}
              <input
                type="file"
                accept="image/*"
                className="unseen"
                onChange={(event) => {
                  const [picture] = event.target.files ?? [];
                  event.target.value = '';
                  if (picture) read(picture);
                }}
              />
            </label>
            <label>
              Lines{' '}
              <input
                className="field figure"
                value={across}
                size={3}
                aria-label="Lines across"
                onChange={(event) => setAcross(event.target.value)}
              />{' '}
              ×{' '}
              <input
                className="field figure"
                value={down}
                size={3}
                aria-label="Lines down"
                onChange={(event) => setDown(event.target.value)}
              />
            </label>
            <label>
              Screen{' '}
              <input
                className="field figure"
                value={wide}
                size={4}
                aria-label="Width of the screen in millimetres"
                onChange={(event) => setWide(event.target.value)}
              />{' '}
              mm
            </label>
            <select
              className="field"
              aria-label="Shape of the screen"
              value={form}
              onChange={(event) => setForm(event.target.value as typeof form)}
            >
              {Object.keys(shapes).map((one) => (
                <option key={one}>{one}</option>
              ))}
            </select>
          </p>
          {message && (
            <p role="alert" className="bad">
              {message}
            </p>
          )}
          {photo && corners && (
            <>
              <PhotoView photo={photo} corners={corners} onCorners={setCorners} />
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
            <>
              <p className={styles.off}>
                <b className="figure">{said.shape.off.toFixed(1)} %</b> of the width off,{' '}
                <b className="figure">{said.shape.furthest.toFixed(1)} %</b> at worst
              </p>
              <ScreenView
                said={said}
                wanted={wantedOf(photo!.pattern.across, photo!.pattern.down, aspect)}
                aspect={aspect}
              />
              <ul className={styles.errors}>
                {said.errors.slice(0, 6).map(({ id, title, percent, words }) => (
                  <li key={id}>
                    <b>{title}</b>
                    <span>{words}</span>
                    <span className="figure">{Math.abs(percent).toFixed(1)} %</span>
                  </li>
                ))}
              </ul>
              {said.convergence && (
                <>
                  <h2 className="label">Colours: {said.convergence.worst.millimetres.toFixed(1)} mm apart at worst</h2>
                  <ul className={styles.moves}>
                    {said.convergence.moves.map(({ part, words }) => (
                      <li key={part + words}>
                        <b>{part}</b>: {words}
                      </li>
                    ))}
                  </ul>
                </>
              )}
            </>
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
