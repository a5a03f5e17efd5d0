import { type Check } from '../../behaviour';
import { type Gun, guns } from '../../log';
import { type Sheet } from '../../sheet';

const colours = ['red', 'green', 'blue'] as const;

/** The guns of a set’s tube: three, one that makes all, or none in a set of another technology. */
export function gunsOf({ picture }: Sheet): readonly Gun[] {
  const roles = ['cathode_r', 'cathode_g', 'cathode_b'].map((role) => picture.get(role)?.join(' '));
  if (roles.some((nets) => nets === undefined)) return [];
  return new Set(roles).size === 1 ? ['only'] : colours;
}

/** The net of a gun’s cathode. */
export const cathodeOf = ({ picture }: Sheet, gun: Gun): string | undefined =>
  picture.get(gun === 'green' ? 'cathode_g' : gun === 'blue' ? 'cathode_b' : 'cathode_r')?.[0];

/** The bench’s check of each gun’s emission: that of the part whose wear makes the colour weak, and of as few others as may be. */
export function emissionChecks(sheet: Sheet, checks: ReadonlyMap<string, Check>): ReadonlyMap<Gun, Check> {
  const all = [...checks.values()].filter(({ measure }) => measure === 'emission');
  const weakens = (part: string, mark: string) =>
    [...sheet.faults.values()].some((fault) => fault.part === part && fault.shows.includes(mark as never));
  return new Map(
    guns.flatMap((gun): [Gun, Check][] => {
      const own = all
        .filter(({ point }) => gun === 'only' || point?.parts.some((part) => weakens(part, `weak_${gun}`)))
        .toSorted((a, b) => (a.point?.parts.length ?? 0) - (b.point?.parts.length ?? 0));
      return own[0] ? [[gun, own[0]]] : [];
    }),
  );
}
