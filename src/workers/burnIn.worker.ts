import { expose } from 'comlink';
import { type Corners } from '@/core/crosshatch';
import { planesOf } from '@/core/plane';
import { type BurnIn, burnInOf, fieldCorners } from '@/core/setup';
import { orRefused, rasterOf } from './raster';

/** What was found on a photographed field, or why it cannot be read. */
export type FieldRead =
  | { readonly width: number; readonly height: number; readonly corners: Corners; readonly burnIn: BurnIn }
  | { readonly refused: string };

const reader = {
  find: (photo: Blob, corners: Corners | undefined): Promise<FieldRead> =>
    orRefused(async () => {
      const { width, height, data } = await rasterOf(photo);
      const planes = planesOf({ width, height, data });
      const glass = corners ?? fieldCorners(planes);
      return { width, height, corners: glass, burnIn: burnInOf(planes, glass) };
    }),
};

export type BurnInWorker = typeof reader;
expose(reader);
