import { expose } from 'comlink';
import { type Corners, type Crossing, findCrossings, glassCorners, type Pattern } from '@/core/crosshatch';
import { orRefused, rasterOf } from './raster';

/** What was found in a photograph, or why it cannot be read. */
export type PhotoRead =
  | {
      readonly width: number;
      readonly height: number;
      readonly crossings: readonly Crossing[];
      /** Corners of the glass, where they stand out from its frame. */
      readonly corners: Corners | undefined;
    }
  | { readonly refused: string };

const reader = {
  find: (photo: Blob, pattern: Pattern): Promise<PhotoRead> =>
    orRefused(async () => {
      const raster = await rasterOf(photo);
      const crossings = findCrossings(raster, pattern);
      const { width, height } = raster;
      return { width, height, crossings, corners: glassCorners(raster, crossings, pattern) };
    }),
};

export type CrosshatchWorker = typeof reader;
expose(reader);
