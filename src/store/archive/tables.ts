/** How a table goes into an archive and comes out of it. */
export interface ArchivedTable {
  readonly name: string;
  /** What tells a row from all others, in every shop. */
  readonly key: readonly string[];
  /** Column that is a number of this database alone, and given anew in another. */
  readonly counted?: string;
  /** Columns worked out by a trigger, with what they start from. */
  readonly derived?: Readonly<Record<string, number>>;
  /** Columns that hold JSON; in the archive it stands as such. */
  readonly json?: readonly string[];
  /** Columns that hold the key of a row of another table. */
  readonly refers?: Readonly<Record<string, string>>;
  /** What two rows of different keys may not share: the row that is here stands for the one that comes. */
  readonly alike?: readonly string[];
  /** Whether rows are only ever added: of two of one key the one that is here stays. */
  readonly grows?: boolean;
  /** Column that is counted on where a row of one key and other contents is let in beside the one that is here. */
  readonly version?: string;
  /** A column that goes into a file of its own: its folder, and the file’s name in it. */
  readonly file?: { readonly column: string; readonly folder: string; nameOf(row: ArchivedRow): string };
  /** Column that names the job a row belongs to. */
  readonly job?: string;
}

/** A row as SQLite gives and takes it. */
export type ArchivedRow = Readonly<Record<string, unknown>>;

const pictureEndings: Readonly<Record<string, string>> = {
  'image/jpeg': 'jpg',
  'image/png': 'png',
  'image/webp': 'webp',
};

/** Where a row’s file stands in the archive. */
export const fileName = ({ folder, nameOf }: NonNullable<ArchivedTable['file']>, row: ArchivedRow): string =>
  `${folder}/${nameOf(row)}`;

/** Every table of the shop’s data; what is referred to comes first. */
export const archivedTables: readonly ArchivedTable[] = [
  { name: 'setting', key: ['name'], json: ['value'] },
  {
    name: 'sheet_version',
    key: ['id', 'version'],
    version: 'version',
    file: { column: 'text', folder: 'sheets', nameOf: ({ id, version }) => `${String(id)}.${String(version)}.yaml` },
  },
  {
    name: 'job',
    key: ['id'],
    json: ['label', 'options', 'complaint', 'waiting'],
    refers: { former: 'job' },
    job: 'id',
  },
  {
    name: 'log_entry',
    key: ['id'],
    counted: 'seq',
    json: ['body'],
    refers: { job: 'job', supersedes: 'log_entry' },
    grows: true,
    job: 'job',
  },
  { name: 'fault_note', key: ['job'], counted: 'number', refers: { job: 'job' }, job: 'job' },
  {
    name: 'photo',
    key: ['id'],
    refers: { job: 'job' },
    grows: true,
    file: {
      column: 'bytes',
      folder: 'pictures',
      nameOf: ({ id, type }) => `${String(id)}.${pictureEndings[String(type)] ?? 'bin'}`,
    },
    job: 'job',
  },
  {
    name: 'stock_part',
    key: ['id'],
    counted: 'number',
    derived: { count: 0 },
    alike: ['typed', 'drawer', 'origin'],
    grows: true,
  },
  { name: 'stock_figure', key: ['part', 'name', 'value'], refers: { part: 'stock_part' }, grows: true },
  { name: 'supplier', key: ['id'], alike: ['title'] },
  { name: 'supplier_item', key: ['item', 'supplier'], json: ['breaks'], refers: { supplier: 'supplier' } },
  { name: 'need', key: ['id'], refers: { job: 'job' }, grows: true },
  { name: 'need_event', key: ['id'], counted: 'seq', refers: { need: 'need' }, grows: true },
  { name: 'supplier_order', key: ['id'], refers: { supplier: 'supplier' }, grows: true },
  {
    name: 'order_line',
    key: ['order', 'need'],
    refers: { order: 'supplier_order', need: 'need' },
    grows: true,
  },
  {
    name: 'order_word',
    key: ['order', 'item', 'state', 'due', 'sent', 'at'],
    counted: 'seq',
    refers: { order: 'supplier_order' },
    grows: true,
  },
  { name: 'donor', key: ['id'] },
  {
    name: 'donor_part',
    key: ['id'],
    derived: { count: 0 },
    alike: ['donor', 'board', 'typed', 'condition'],
    refers: { donor: 'donor' },
    grows: true,
  },
  {
    name: 'stock_move',
    key: ['id'],
    counted: 'seq',
    refers: { part: 'stock_part', need: 'need' },
    grows: true,
  },
  {
    name: 'donor_move',
    key: ['id'],
    counted: 'seq',
    refers: { part: 'donor_part', need: 'need' },
    grows: true,
  },
  { name: 'lent_count', key: ['source', 'sheet', 'fault'] },
];
