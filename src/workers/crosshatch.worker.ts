import { expose } from 'comlink';
import { type Crossing, findCrossings, type Pattern } from '@/core/crosshatch';
import { attempt, Refusal } from '@/core/quantity';

/** What was found in a photograph, or why it cannot be read. */
export type PhotoRead =
  | { readonly width: number; readonly height: number; readonly crossings: readonly Crossing[] }
  | { readonly refused: string };

const reader = {
  async find(photo: Blob, pattern: Pattern): Promise<PhotoRead> {
    const image = await createImageBitmap(photo).catch(() => undefined);
    if (!image) return { refused: 'this browser cannot read the picture: save it as JPEG or PNG' };
    const { width, height } = image;
    const canvas = new OffscreenCanvas(width, height).getContext('2d', { willReadFrequently: true });
    if (!canvas) return { refused: `there is no room for a picture of ${width} × ${height}: make it smaller` };
    canvas.drawImage(image, 0, 0);
    image.close();
    const { data } = canvas.getImageData(0, 0, width, height);
    const crossings = attempt(() => findCrossings({ width, height, data }, pattern));
    return crossings instanceof Refusal ? { refused: crossings.message } : { width, height, crossings };
  },
};

export type CrosshatchWorker = typeof reader;
expose(reader);
