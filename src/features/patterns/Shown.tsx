import { useEffect, useRef, useState } from 'react';
import { restOf } from '@/core/patterns';
import styles from './patterns.module.css';

interface ShownProps {
  readonly picture: string;
  readonly name: string;
  /** Seconds that it may stand still. */
  readonly after: number;
  readonly onClose: () => void;
}

/** A pattern over the whole screen. It burns nothing in: after its time it is dimmed and moved, until a key or the mouse wakes it. */
export function Shown({ picture, name, after, onClose }: ShownProps) {
  const box = useRef<HTMLDivElement>(null);
  const [seconds, setSeconds] = useState(0);
  useEffect(() => {
    const since = { at: Date.now() };
    const wake = () => {
      since.at = Date.now();
      setSeconds(0);
    };
    const timer = setInterval(() => setSeconds((Date.now() - since.at) / 1000), 1000);
    window.addEventListener('keydown', wake);
    window.addEventListener('pointerdown', wake);
    return () => {
      clearInterval(timer);
      window.removeEventListener('keydown', wake);
      window.removeEventListener('pointerdown', wake);
    };
  }, []);
  useEffect(() => {
    const element = box.current!;
    element.focus();
    // A browser that does not give the whole screen still shows it over the whole window.
    if (!document.fullscreenElement) void element.requestFullscreen?.().catch(() => undefined);
  }, []);
  const close = useRef(onClose);
  useEffect(() => {
    close.current = onClose;
  });
  useEffect(() => {
    const left = () => {
      if (!document.fullscreenElement) close.current();
    };
    document.addEventListener('fullscreenchange', left);
    return () => document.removeEventListener('fullscreenchange', left);
  }, []);
  const { x, y, light } = restOf(seconds, after);
  return (
    <div
      ref={box}
      className={styles.shown}
      role="dialog"
      aria-label={`${name}, over the whole screen`}
      tabIndex={-1}
      data-resting={light < 1 ? '' : undefined}
      onKeyDown={({ key }) => {
        if (key !== 'Escape') return;
        if (document.fullscreenElement) void document.exitFullscreen();
        onClose();
      }}
    >
      <div
        style={{ transform: `translate(${x * 100}%, ${y * 100}%)`, opacity: light }}
        dangerouslySetInnerHTML={{ __html: picture }}
      />
    </div>
  );
}
