import { useEffect, useMemo, useRef, useState } from 'react';
import { type Corners, type Crossing, type Pattern } from '@/core/crosshatch';
import { type Point } from '@/core/plane';
import { pictureTooLarge } from '@/ui';
import { PhotoReader } from '@/workers/crosshatch';
import { likelyCorners, movedOn, type Node, type Photo, withMoved } from './shapeModel';

/** The photograph of a crosshatch that is looked at: what was found in it, and what was put right by hand. */
export function usePhotograph(pattern: Pattern) {
  const [photo, setPhoto] = useState<Photo>();
  /** Crossings that were put in their places by hand, in the order of the moves. */
  const [moved, setMoved] = useState<readonly Node[]>([]);
  const [corners, setCorners] = useState<Corners>();
  /** Who says that the corners are where they should be. */
  const [placed, setPlaced] = useState<'by hand' | 'by itself'>();
  const [busy, setBusy] = useState(false);
  const [message, setMessage] = useState<string>();
  const reader = useRef<PhotoReader>(undefined);
  useEffect(() => () => reader.current?.close(), []);
  const crossings = useMemo(() => withMoved(photo?.crossings ?? [], moved), [photo, moved]);

  const read = (picture: File) => {
    const tooLarge = pictureTooLarge(picture);
    if (tooLarge !== undefined) return setMessage(tooLarge);
    reader.current ??= new PhotoReader();
    setBusy(true);
    setMessage(undefined);
    reader.current.read(picture, pattern, (found) => {
      setBusy(false);
      if ('refused' in found) return setMessage(found.refused);
      const next = { ...found, url: URL.createObjectURL(picture), pattern, picture };
      if (photo) URL.revokeObjectURL(photo.url);
      setPhoto(next);
      setMoved([]);
      if (found.corners) {
        setCorners(found.corners);
        setPlaced('by itself');
      } else if (!corners || photo?.width !== next.width || photo.height !== next.height) {
        // A camera on a stand sees the glass where it was.
        setCorners(likelyCorners(next));
        setPlaced(undefined);
      }
    });
  };
  return {
    photo,
    crossings,
    moved: moved.length,
    corners,
    placed,
    busy,
    message,
    setMessage,
    read,
    place: (isPlaced: boolean) => setPlaced(isPlaced ? 'by hand' : undefined),
    moveCorners: (next: Corners) => {
      setCorners(next);
      setPlaced((before) => before && 'by hand');
    },
    moveCrossing: (crossing: Crossing, to: Point) => setMoved((before) => movedOn(before, crossing, to)),
    takeBack: () => setMoved((before) => before.slice(0, -1)),
    /** Puts the photograph away; the corners are kept for the next one. */
    putAway: () => {
      if (photo) URL.revokeObjectURL(photo.url);
      setPhoto(undefined);
    },
  };
}
