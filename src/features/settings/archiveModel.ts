import { type Merged } from '@/store';

/** What tables are called on the page; what has no word of its own goes along with these. */
const words: Readonly<Record<string, readonly [one: string, several: string]>> = {
  job: ['set', 'sets'],
  log_entry: ['line of a record', 'lines of records'],
  fault_note: ['note', 'notes'],
  photo: ['photograph', 'photographs'],
  sheet_version: ['version of a sheet', 'versions of sheets'],
  stock_part: ['kind on the shelf', 'kinds on the shelf'],
  need: ['part needed', 'parts needed'],
  donor: ['donor', 'donors'],
  supplier: ['supplier', 'suppliers'],
  setting: ['setting', 'settings'],
};

/** What an archive adds, in words: `12 sets`, `1 note`. */
export function addedWords({ fresh }: Merged): string[] {
  return Object.entries(words).flatMap(([table, [one, several]]) => {
    const count = fresh[table] ?? 0;
    return count === 0 ? [] : [`${count} ${count === 1 ? one : several}`];
  });
}

/** One thing that differs: `set 3f… · owner: the museum here, the railway there`. */
export function clashWords({ table, key, columns }: Merged['clashes'][number]): string {
  const shown = (value: unknown) => {
    const text = typeof value === 'string' ? value : JSON.stringify(value);
    return text.length > 60 ? `${text.slice(0, 57)}…` : text || 'nothing';
  };
  const differing = columns.map(({ column, here, there }) => `${column}: ${shown(here)} here, ${shown(there)} there`);
  return `${words[table]?.[0] ?? table} ${key.length > 24 ? `${key.slice(0, 8)}…` : key} · ${differing.join('; ')}`;
}
