'use client';

import { useCallback, useEffect, useState } from 'react';
import { type Point, roundSpotNear } from '@/core/plane';

/** A click is moved to the middle of a hole or a pad within this share of the photograph’s width. */
const reach = 0.012;
/** Pixels about a click that are looked at, beyond the reach. */
const margin = 3;

interface Photograph {
  readonly url: string;
  readonly canvas: OffscreenCanvas;
}

/** A photograph as the browser shows it: how high it is, as a share of its width, and where its holes are. */
export interface PhotoPixels {
  /** Undefined until it has come. */
  readonly high: number | undefined;
  /** The middle of the hole or pad that was meant; the place itself where none is near. In shares of the width. */
  middleNear(place: Point): Point;
}

/** Fetches a photograph and holds its pixels. @param url nothing is fetched without one */
export function usePhotoPixels(url: string | undefined): PhotoPixels {
  const [held, setHeld] = useState<Photograph>();
  useEffect(() => {
    if (url === undefined) return;
    let gone = false;
    const image = new Image();
    image.src = url;
    image.onload = () => {
      if (gone) return;
      const canvas = new OffscreenCanvas(image.naturalWidth, image.naturalHeight);
      canvas.getContext('2d', { willReadFrequently: true })!.drawImage(image, 0, 0);
      setHeld({ url, canvas });
    };
    return () => {
      gone = true;
    };
  }, [url]);
  const photograph = held?.url === url ? held : undefined;
  const middleNear = useCallback(
    (place: Point) => {
      const found = photograph && spotIn(photograph.canvas, place);
      return found ?? place;
    },
    [photograph],
  );
  return { high: photograph && photograph.canvas.height / photograph.canvas.width, middleNear };
}

function spotIn(canvas: OffscreenCanvas, place: Point): Point | undefined {
  const within = reach * canvas.width;
  const half = Math.ceil(within) + margin;
  const [left, top] = [Math.round(place.x * canvas.width) - half, Math.round(place.y * canvas.width) - half];
  const size = 2 * half + 1;
  // Beyond its edges a canvas gives nothing, which is no light.
  const { data } = canvas.getContext('2d')!.getImageData(left, top, size, size);
  const values = Float32Array.from(
    { length: size * size },
    (_, at) => (data[4 * at]! + data[4 * at + 1]! + data[4 * at + 2]!) / 765,
  );
  const near = { x: place.x * canvas.width - left, y: place.y * canvas.width - top };
  const found = roundSpotNear({ width: size, height: size, values }, near, within);
  return found && { x: (found.x + left) / canvas.width, y: (found.y + top) / canvas.width };
}
