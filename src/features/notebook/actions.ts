'use server';

import { revalidatePath } from 'next/cache';
import { dayIn } from '@/core/days';
import { countedAs } from '@/core/job';
import { type OldNote, readDay, readOldNotes, sheetNamed } from '@/core/notebook';
import { Refusal } from '@/core/quantity';
import { addOldNotes, type CountedNote, database } from '@/store';
import { shopZone } from '@/ui';
import { answered, type Answered } from '@/workshop/answer';
import { readLibrary, sheetCards, sheetOf } from '@/workshop/library/server';
import { type OldNoteForm, oldNoteSchema } from './oldNoteSchema';

const today = () => dayIn(Date.now(), shopZone());

/** Each note with its sheet and the fault of it that its cause names. */
async function counted(notes: readonly OldNote[]): Promise<CountedNote[]> {
  const library = await readLibrary();
  const cards = sheetCards(library).filter(({ broken }) => broken === undefined);
  const fallback = cards.find(({ generic }) => generic)!;
  return notes.map((note, index) => {
    const card = note.sheet === '' ? fallback : sheetNamed(note.sheet, cards);
    if (!card)
      throw new Refusal(
        `note ${index + 1}: there is no sheet "${note.sheet}"; leave it empty where there is none, or name one of ${cards
          .slice(0, 6)
          .map(({ title }) => title)
          .join(', ')} …`,
      );
    const sheet = sheetOf(library, { sheet: card.id, options: {}, label: {} })!;
    return {
      note,
      sheet: { id: card.id, title: card.title },
      fault: note.sheet === '' ? null : (countedAs(note.cause, sheet)?.id ?? null),
    };
  });
}

/** What came of notes taken in. */
export interface Noted {
  readonly added: number;
  /** How many of them count as one of the faults of their sheet. */
  readonly counted: number;
}

async function add(notes: readonly OldNote[]): Promise<Noted> {
  const all = await counted(notes);
  const added = await addOldNotes(await database(), all);
  revalidatePath('/notebook');
  return { added, counted: all.filter(({ fault }) => fault !== null).length };
}

/** Takes one note in as it was typed. */
export async function addOldNote(input: OldNoteForm): Promise<Answered<Noted>> {
  return answered(async () => {
    const typed = oldNoteSchema.validateSync(input);
    return add([{ ...typed, date: readDay(typed.date === '' ? today() : typed.date, today()) }]);
  });
}

/** Takes a list of notes in, in CSV; all of it or nothing. */
export async function addOldNoteList(text: unknown): Promise<Answered<Noted>> {
  return answered(async () => add(readOldNotes(String(text), today())));
}
