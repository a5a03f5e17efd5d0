'use client';

import { useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { type PatternId, patternIds, patternPicture, patterns, type RasterId, rasters } from '@/core/patterns';
import { Key, savePicture } from '@/ui';
import styles from './patterns.module.css';
import { Shown } from './Shown';

const thumbnail = { width: 320, height: 240, across: 11, down: 8 };
/** Minutes that a pattern may stand before it is dimmed and moved. */
const times = [1, 3, 10] as const;

export interface PatternsProps {
  readonly first?: PatternId;
  readonly across?: number;
  readonly down?: number;
}

/** Patterns for a second screen or a converter: each full screen at a key, as SVG or as PNG in the points of an old format. */
export function Patterns({ first = 'crosshatch', across: firstAcross = 15, down: firstDown = 11 }: PatternsProps) {
  const [chosen, setChosen] = useState<PatternId>(first);
  const [across, setAcross] = useState(firstAcross);
  const [down, setDown] = useState(firstDown);
  const [raster, setRaster] = useState<RasterId>('vga');
  const [minutes, setMinutes] = useState<(typeof times)[number]>(3);
  const [full, setFull] = useState(false);
  const { width, height, aspect } = rasters[raster];
  const picture = patternPicture(chosen, { width, height, across, down });
  const step = (by: number) =>
    setChosen((now) => patternIds[(patternIds.indexOf(now) + by + patternIds.length) % patternIds.length]!);
  useHotkeys('f', () => setFull(true), { enabled: !full });
  useHotkeys('right', () => step(1));
  useHotkeys('left', () => step(-1));

  return (
    <main className={styles.page}>
      <section aria-label="Pattern" className={styles.chosen}>
        <div
          className={styles.preview}
          style={{ aspectRatio: String(1 / aspect) }}
          dangerouslySetInnerHTML={{ __html: picture }}
        />
        <div className={styles.about}>
          <h1>{patterns[chosen].title}</h1>
          <p className="soft">{patterns[chosen].use}</p>
          <p>
            <button type="button" className="press main" onClick={() => setFull(true)}>
              Fill the screen <Key>F</Key>
            </button>
          </p>
          <p className="soft">
            <Key>←</Key> <Key>→</Key> the next, <Key>Esc</Key> back. Drag this window to the set’s screen first.
          </p>
          <div className={styles.options}>
            <label>
              Format
              <select className="field" value={raster} onChange={(event) => setRaster(event.target.value as RasterId)}>
                {Object.entries(rasters).map(([id, { title }]) => (
                  <option key={id} value={id}>
                    {title}
                  </option>
                ))}
              </select>
            </label>
            <Lines title="Lines across" value={across} onChange={setAcross} />
            <Lines title="Lines down" value={down} onChange={setDown} />
            <label>
              Dims and moves after
              <select
                className="field"
                value={minutes}
                onChange={(event) => setMinutes(Number(event.target.value) as typeof minutes)}
              >
                {times.map((time) => (
                  <option key={time} value={time}>
                    {time} min
                  </option>
                ))}
              </select>
            </label>
          </div>
          <p className={styles.saved}>
            <button
              type="button"
              className="press"
              onClick={() => savePicture(picture, `${chosen}-${width}x${height}`, 'svg', width, height)}
            >
              Save as SVG
            </button>
            <button
              type="button"
              className="press"
              onClick={() => savePicture(picture, `${chosen}-${width}x${height}`, 'png', width, height)}
            >
              Save as PNG, {width} × {height}
            </button>
          </p>
        </div>
      </section>
      <ul className={styles.tiles} aria-label="Patterns">
        {patternIds.map((id) => (
          <li key={id}>
            <button type="button" aria-pressed={id === chosen} onClick={() => setChosen(id)}>
              <span aria-hidden dangerouslySetInnerHTML={{ __html: patternPicture(id, thumbnail) }} />
              <b>{patterns[id].title}</b>
              <small>{patterns[id].use}</small>
            </button>
          </li>
        ))}
      </ul>
      {full && (
        <Shown picture={picture} name={patterns[chosen].title} after={minutes * 60} onClose={() => setFull(false)} />
      )}
    </main>
  );
}

function Lines({ title, value, onChange }: { title: string; value: number; onChange: (value: number) => void }) {
  const [typed, setTyped] = useState(String(value));
  const bad = !/^\d+$/.test(typed) || Number(typed) < 3 || Number(typed) > 60;
  return (
    <label>
      {title}
      <input
        className="field figure"
        inputMode="numeric"
        value={typed}
        aria-invalid={bad}
        onChange={(event) => {
          setTyped(event.target.value);
          const lines = Number(event.target.value);
          if (Number.isInteger(lines) && lines >= 3 && lines <= 60) onChange(lines);
        }}
      />
      {bad && <span role="alert">3 to 60, as 15</span>}
    </label>
  );
}
