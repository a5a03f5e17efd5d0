import 'server-only';
import { database, readSettings } from '@/store';

/** The name of the shop, as a report has it; empty where none was given. */
export const shopName = async (): Promise<string> => (await readSettings(await database())).shop;
