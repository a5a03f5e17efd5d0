import { expose } from 'comlink';
import { type Crossing, findCrossings, type Pattern } from '@/core/crosshatch';
import { orRefused, rasterOf } from './raster';

/** What was found in a photograph, or why it cannot be read. */
export type PhotoRead =
  | { readonly width: number; readonly height: number; readonly crossings: readonly Crossing[] }
  | { readonly refused: string };

const reader = {
  find: (photo: Blob, pattern: Pattern): Promise<PhotoRead> =>
    orRefused(async () => {
      const raster = await rasterOf(photo);
      return { width: raster.width, height: raster.height, crossings: findCrossings(raster, pattern) };
    }),
};

export type CrosshatchWorker = typeof reader;
expose(reader);
