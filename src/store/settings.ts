import { type Knex } from 'knex';

/** What a shop sets once. */
export interface Settings {
  /** Its name, for reports and labels. */
  readonly shop: string;
  /** What an hour at the bench is worth. */
  readonly hourlyRate: number;
  /** Sign put before amounts of money. */
  readonly currency: string;
  /** Volts of the mains at the bench; null as the sheet of each set says. */
  readonly mains: number | null;
  /** Watts of the lamp that stands by; null as each set wants it. */
  readonly lampWatts: number | null;
  /** The resistor that stores are discharged through, as it is typed: `2k2 20W`; empty for the usual one. */
  readonly tool: string;
}

export const defaultSettings: Settings = {
  shop: '',
  hourlyRate: 18,
  currency: '£',
  mains: null,
  lampWatts: null,
  tool: '',
};

type Row = { readonly name: string; readonly value: string };

export async function readSettings(database: Knex): Promise<Settings> {
  const rows = await database<Row>('setting').whereIn('name', Object.keys(defaultSettings));
  const stored = Object.fromEntries(rows.map(({ name, value }) => [name, JSON.parse(value) as unknown]));
  return { ...defaultSettings, ...stored };
}

export async function saveSettings(database: Knex, settings: Settings): Promise<void> {
  const rows = Object.entries(settings).map(([name, value]) => ({ name, value: JSON.stringify(value) }));
  await database<Row>('setting').insert(rows).onConflict('name').merge();
}
