import { type Raster } from '@/core/plane';
import { Refusal } from '@/core/quantity';

/**
 * The pixels of a photograph, in a worker.
 *
 * @throws Refusal where the browser cannot read it, or has no room for it
 */
export async function rasterOf(photo: Blob): Promise<Raster> {
  const image = await createImageBitmap(photo).catch(() => undefined);
  if (!image) throw new Refusal('this browser cannot read the picture: save it as JPEG or PNG');
  const { width, height } = image;
  const canvas = new OffscreenCanvas(width, height).getContext('2d', { willReadFrequently: true });
  if (!canvas) throw new Refusal(`there is no room for a picture of ${width} × ${height}: make it smaller`);
  canvas.drawImage(image, 0, 0);
  image.close();
  return { width, height, data: canvas.getImageData(0, 0, width, height).data };
}

/** What work on a photograph comes to, or why it cannot be read. */
export async function orRefused<Read>(work: () => Promise<Read>): Promise<Read | { readonly refused: string }> {
  try {
    return await work();
  } catch (error) {
    if (error instanceof Refusal) return { refused: error.message };
    throw error;
  }
}
