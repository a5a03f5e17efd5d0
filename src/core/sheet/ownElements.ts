import { type Sheet } from './sheet';

/**
 * Blocks with the parts that say themselves what they are in the netlist of theirs. What the stage lists stands: it may
 * have been traced anew since.
 */
export function withOwnElements(blocks: Sheet['blocks'], parts: Sheet['parts']): Sheet['blocks'] {
  const own = [...parts.values()].filter(({ element }) => element !== undefined);
  if (own.length === 0) return blocks;
  return new Map(
    [...blocks].map(([id, block]) => {
      const { stage } = block;
      const listed = new Set(stage?.parts.values());
      const inside = own
        .filter((part) => part.block === id && !listed.has(part.id))
        .map((part) => [part.element!, part.id] as const);
      return [id, stage ? { ...block, stage: { ...stage, parts: new Map([...inside, ...stage.parts]) } } : block];
    }),
  );
}
