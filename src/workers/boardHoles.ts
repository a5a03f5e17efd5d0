import { type PointPair } from '@/core/plane';
import { type BoardHolesWorker, type HolesFound } from './boardHoles.worker';
import { Latest } from './latest';

/** Finds the holes that two photographs of a board share, in a worker. */
export class HolesFinder {
  private readonly latest = new Latest<BoardHolesWorker>(
    () => new Worker(new URL('./boardHoles.worker.ts', import.meta.url)),
  );

  /**
   * @param photos addresses of the two
   * @param onDone told nothing where a photograph cannot be fetched or read: the shown holes do as well
   */
  find(
    photos: readonly [first: string, second: string],
    shown: readonly PointPair[],
    onDone: (holes: readonly PointPair[]) => void,
  ): void {
    this.latest.ask(
      async (remote) => {
        const [first, second] = await Promise.all(photos.map(async (address) => (await fetch(address)).blob()));
        return (await remote.find(first!, second!, shown)) as HolesFound;
      },
      (found) => onDone(found && 'holes' in found ? found.holes : []),
    );
  }

  close(): void {
    this.latest.close();
  }
}
