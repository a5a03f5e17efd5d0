import { type KitLine, type Quirk, type Sheet } from './sheet';

/** What a sheet says of fitting certain parts. */
export interface PartNotes {
  readonly kit: readonly KitLine[];
  readonly quirks: readonly Quirk[];
}

/** The lines of the kit for these parts, and the quirks that name one of them. */
export function partNotes({ kit, quirks }: Pick<Sheet, 'kit' | 'quirks'>, parts: readonly string[]): PartNotes {
  const named = ({ title, note }: Quirk) => {
    const words = `${title} ${note}`.split(/[^\w-]+/);
    return parts.some((part) => words.includes(part));
  };
  return {
    kit: kit.filter(({ refs }) => refs.some((ref) => parts.includes(ref))),
    quirks: quirks.filter(named),
  };
}
