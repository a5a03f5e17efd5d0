import { type Format, type Named, type Read, record, sectionOf, text } from '../describe';

/** Merged into the sheet before anything is read. */
const change: Format<undefined> = {
  read: () => undefined,
  schema: { type: 'object', description: 'laid over the sheet when chosen' },
};

const choice = record({ title: text(), tell: text(''), change });
type Choice = Named<Omit<Read<typeof choice>, 'change'>>;

const choices = sectionOf<Read<typeof choice>, Choice>(choice, (entry, { title, tell }) => ({
  id: entry.name,
  title,
  tell,
}));

const option = record({
  title: text(),
  choices: { ...choices, schema: { ...choices.schema, description: 'the first is taken where nobody chooses' } },
});

/** How sets of a kind differ: a size, a supplier of a board, a number of boards. */
export interface Option {
  readonly id: string;
  readonly title: string;
  /** The first is taken where nobody chooses. What a choice changes was merged in by the reader. */
  readonly choices: readonly Choice[];
}

export const options = sectionOf<Read<typeof option>, Option>(option, (entry, { title, choices: found }) => ({
  id: entry.name,
  title,
  choices: [...found.values()],
}));
