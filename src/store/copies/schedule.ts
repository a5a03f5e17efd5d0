import { database, databaseFile } from '../database';
import { copyOfTheDay } from './copies';

const minute = 60_000;

/** Looks every hour whether the copy of the day is due, the first time when the server has been up for a while. */
export function keepCopies(): void {
  const look = async () => {
    try {
      await copyOfTheDay(await database(), databaseFile(), new Date());
    } catch (error) {
      console.error(`No copy of the data was made: ${(error as Error).message}`);
    }
  };
  setTimeout(() => void look(), minute).unref();
  setInterval(() => void look(), 60 * minute).unref();
}
