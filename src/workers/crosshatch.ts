import { type Pattern } from '@/core/crosshatch';
import { type CrosshatchWorker, type PhotoRead } from './crosshatch.worker';
import { Latest } from './latest';

export { type PhotoRead } from './crosshatch.worker';

/** Reads photographs of a crosshatch in a worker; a new one cancels what is under way. */
export class PhotoReader {
  private readonly latest = new Latest<CrosshatchWorker>(
    () => new Worker(new URL('./crosshatch.worker.ts', import.meta.url)),
  );

  read(photo: Blob, pattern: Pattern, onDone: (read: PhotoRead) => void): void {
    this.latest.ask(
      (remote) => remote.find(photo, pattern) as Promise<PhotoRead>,
      (read) => onDone(read ?? { refused: 'the picture could not be read: try a smaller one' }),
    );
  }

  close(): void {
    this.latest.close();
  }
}
