import { expose } from 'comlink';
import { type PointPair } from '@/core/plane';
import { sameHoles } from '@/core/tracing';
import { orRefused, rasterOf } from './raster';

/** Holes that both photographs of a board show, or why one of them cannot be read. */
export type HolesFound = { readonly holes: readonly PointPair[] } | { readonly refused: string };

const finder = {
  find: (first: Blob, second: Blob, shown: readonly PointPair[]): Promise<HolesFound> =>
    orRefused(async () => ({ holes: sameHoles(await rasterOf(first), await rasterOf(second), shown) })),
};

export type BoardHolesWorker = typeof finder;
expose(finder);
