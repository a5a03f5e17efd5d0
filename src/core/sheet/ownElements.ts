import { type Sheet } from './sheet';

/** Blocks with the parts that say themselves what they are in the netlist of theirs. */
export function withOwnElements(blocks: Sheet['blocks'], parts: Sheet['parts']): Sheet['blocks'] {
  const own = [...parts.values()].filter(({ element }) => element !== undefined);
  if (own.length === 0) return blocks;
  return new Map(
    [...blocks].map(([id, block]) => {
      const { stage } = block;
      const inside = own.flatMap(({ block: of, element, id: part }) => (of === id ? [[element!, part] as const] : []));
      return [
        id,
        stage && inside.length > 0
          ? { ...block, stage: { ...stage, parts: new Map([...stage.parts, ...inside]) } }
          : block,
      ];
    }),
  );
}
