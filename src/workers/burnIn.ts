import { type Corners } from '@/core/crosshatch';
import { type BurnInWorker, type FieldRead } from './burnIn.worker';
import { Latest } from './latest';

export { type FieldRead } from './burnIn.worker';

/** Finds burn-in on photographs of an even field in a worker; a new one cancels what is under way. */
export class FieldReader {
  private readonly latest = new Latest<BurnInWorker>(() => new Worker(new URL('./burnIn.worker.ts', import.meta.url)));

  /** @param corners of the glass; found where nothing is said */
  read(photo: Blob, corners: Corners | undefined, onDone: (read: FieldRead) => void): void {
    this.latest.ask(
      (remote) => remote.find(photo, corners) as Promise<FieldRead>,
      (read) => onDone(read ?? { refused: 'the picture could not be read: try a smaller one' }),
    );
  }

  close(): void {
    this.latest.close();
  }
}
