import { useEffect, useRef, useState } from 'react';
import { type Laid, laidTransform } from './boardModel';

interface PhotographProps {
  readonly address: string;
  readonly side: string;
  readonly opacity?: number;
  /** How it is laid on the plane. */
  readonly onto?: Omit<Laid, 'width'>;
}

/** A photograph that fills the plane, or is laid on it by a projection. */
export function Photograph({ address, side, opacity, onto }: PhotographProps) {
  const picture = useRef<HTMLImageElement>(null);
  const [width, setWidth] = useState(0);
  useEffect(() => {
    const observer = new ResizeObserver(([entry]) => setWidth(entry!.contentRect.width));
    observer.observe(picture.current!);
    return () => observer.disconnect();
  }, []);
  return (
    // A photograph of the job, from this server; nothing for an image optimiser.
    // eslint-disable-next-line @next/next/no-img-element
    <img
      ref={picture}
      src={address}
      alt={`The ${side} of the board`}
      style={{ opacity, ...(onto && width > 0 && { transform: laidTransform({ ...onto, width }) }) }}
    />
  );
}
