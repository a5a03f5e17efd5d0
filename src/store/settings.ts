import { type Knex } from 'knex';

/** What a shop sets once. */
export interface Settings {
  /** What an hour at the bench is worth. */
  readonly hourlyRate: number;
  /** Sign put before amounts of money. */
  readonly currency: string;
}

export const defaultSettings: Settings = { hourlyRate: 18, currency: '£' };

export async function readSettings(database: Knex): Promise<Settings> {
  const rows = await database<{ name: string; value: string }>('setting').select();
  const stored = Object.fromEntries(rows.map(({ name, value }) => [name, JSON.parse(value) as unknown]));
  return { ...defaultSettings, ...stored };
}
