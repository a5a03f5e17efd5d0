import { isMap, isSeq, parseDocument } from 'yaml';
import { type SheetChange } from './change';
import { inNetlist } from './inNetlist';
import { faultsOfPart, measureOfPart } from './ownPart';
import { type Sheet } from './sheet';

/** Values written under a name of a sheet: only what is given, the rest stands as it was. */
export interface SheetEdit {
  readonly path: readonly string[];
  readonly values: Readonly<Record<string, unknown>>;
}

/**
 * A sheet's text with values written into it. Comments and all other lines stay.
 *
 * @throws Error when the text is not YAML
 */
export function withEdits(text: string, edits: readonly SheetEdit[]): string {
  const document = parseDocument(text);
  const [error] = document.errors;
  if (error) throw new Error(error.message);
  for (const { path, values } of edits) {
    const inLines = Object.values(values).some((value) => typeof value === 'string' && value.includes('\n'));
    path.slice(0, -1).forEach((_, depth) => {
      const parent = path.slice(0, depth + 1);
      const there = document.getIn(parent);
      if (!isMap(there)) document.setIn(parent, document.createNode({}));
      else if (there.items.length === 0 || inLines) there.flow = false;
    });
    if (!isMap(document.getIn(path))) document.setIn(path, document.createNode({ ...values }, { flow: !inLines }));
    else
      for (const [key, value] of Object.entries(values)) {
        const node = document.createNode(value);
        if (isMap(node) || isSeq(node)) node.flow = true;
        document.setIn([...path, key], node);
      }
  }
  return document.toString({ lineWidth: 0 });
}

/**
 * Edits that stand with the choices of a set: a value that a choice has its own word on is written under that choice.
 *
 * @param placed where a value must be written, as `pathUnderChoices` says
 */
export function editsUnderChoices(
  edits: readonly SheetEdit[],
  placed: (path: readonly string[]) => readonly string[],
): SheetEdit[] {
  return edits.flatMap(({ path, values }) =>
    Object.entries(values).map(([key, value]) => ({
      path: placed([...path, key]).slice(0, -1),
      values: { [key]: value },
    })),
  );
}

/** That a block needs a net, unless what makes the net hangs on that block itself. */
function needing(sheet: Sheet, user: string, net: string, maker = makerOf(sheet.blocks, net)): SheetEdit[] {
  if (maker === undefined || hangsOn(sheet, maker).has(user)) return [];
  return [{ path: ['blocks', user], values: { needs: [...sheet.blocks.get(user)!.needs, net] } }];
}

/** A block with all that feeds it. */
function hangsOn({ blocks }: Sheet, block: string | undefined): ReadonlySet<string> {
  const hangs = new Set<string>();
  const follow = (id: string | undefined) => {
    if (id === undefined || hangs.has(id)) return;
    hangs.add(id);
    for (const need of blocks.get(id)!.needs) follow(makerOf(blocks, need));
  };
  follow(block);
  return hangs;
}

const makerOf = (blocks: Sheet['blocks'], net: string) =>
  [...blocks.values()].find(({ makes }) => makes.includes(net))?.id;

/** What a change writes into the text of a sheet, which as a whole stands as `sheet`. */
export function editsOf(change: SheetChange, sheet: Sheet): SheetEdit[] {
  switch (change.kind) {
    case 'point': {
      const { point, net, where, volts, source } = change;
      const fresh = sheet.points.has(point) ? {} : { measure: 'dc', net: net ?? '', where: where ?? '' };
      return [
        {
          path: ['points', point],
          values: { ...fresh, ...(volts === undefined ? {} : { expect: `${volts} V`, source }) },
        },
      ];
    }
    case 'part': {
      const { part, is, value, block, role, net } = change;
      const inside = inNetlist(change, sheet.blocks.get(block)!);
      const leaves =
        change.leaves &&
        Object.fromEntries(Object.entries(change.leaves).map(([mode, ratio]) => [mode, { [net]: ratio }]));
      const needed = role === 'feeds' && ![...sheet.blocks.values()].some(({ needs }) => needs.includes(net));
      const measure = measureOfPart(is);
      const title = `${is === 'ic' ? 'Chip' : capital(is)} ${part}`;
      return [
        {
          path: ['blocks', block, 'parts', part],
          values: {
            kind: is,
            title,
            ...(value === '' ? {} : { value }),
            own: true,
            ...(inside ? { element: inside.element } : {}),
            faults: faultsOfPart(is, role, net, leaves ?? inside?.leaves),
          },
        },
        {
          path: ['points', `${part}-${measure}`],
          values: { title, measure, parts: [part], board: sheet.blocks.get(block)!.board, minutes: 2 },
        },
        // What a part feeds where nobody is known to need it, its own block needs.
        ...(needed ? needing(sheet, block, net) : []),
      ];
    }
    case 'rail': {
      const { rail, volts, block, user, point, where } = change;
      const { makes, board } = sheet.blocks.get(block)!;
      return [
        { path: ['nets', rail], values: { title: rail, volts, tolerance: '8%', source: 'manual', partial: true } },
        { path: ['blocks', block], values: { makes: [...makes, rail] } },
        { path: ['points', point], values: { title: rail, measure: 'dc', net: rail, where: where ?? '', board } },
        ...(user === undefined ? [] : needing(sheet, user, rail, block)),
      ];
    }
    case 'block': {
      const { block, title, board, needs, rail, volts, user } = change;
      return [
        { path: ['nets', rail], values: { title: rail, volts, tolerance: '8%', source: 'manual', partial: true } },
        { path: ['blocks', block], values: { title, short: title.slice(0, 14).trim(), board, needs, makes: [rail] } },
        { path: ['points', `${rail}-dc`], values: { title: rail, measure: 'dc', net: rail, where: title, board } },
        // What the new block hangs on is not fed by it.
        ...(user === undefined || needs.some((net) => hangsOn(sheet, makerOf(sheet.blocks, net)).has(user))
          ? []
          : [{ path: ['blocks', user], values: { needs: [...sheet.blocks.get(user)!.needs, rail] } }]),
      ];
    }
    case 'stage': {
      const { block, circuit, given = {}, nodes = {}, parts = {} } = change;
      const former = sheet.blocks.get(block)!.stage;
      // Of what stood there before nothing stays: a name that a sheet below gives is taken out.
      const without = (names: ReadonlyMap<string, string> | undefined) =>
        Object.fromEntries([...(names?.keys() ?? [])].map((name) => [name, null]));
      return [
        {
          path: ['blocks', block, 'stage'],
          values: {
            circuit,
            given: { ...without(former?.given), ...given },
            nodes: { ...without(former?.nodes), ...nodes },
            parts: { ...without(former?.parts), ...parts },
            ...(former ? { netlist: '', nominal: without(former.nominal) } : {}),
          },
        },
      ];
    }
    case 'code': {
      const { blinks, net, meaning } = change;
      const title = meaning === '' ? `${sheet.nets.get(net)!.title} out of limits` : meaning;
      const cuts = [...new Set(sheet.protections.flatMap((one) => one.cuts))];
      return [
        {
          path: ['protections', `code${blinks}`],
          values: { title, watches: { [net]: ['dead', 'low', 'high'] }, cuts: cuts.length > 0 ? cuts : [net], blinks },
        },
      ];
    }
    case 'board': {
      const { board, alias } = change;
      return [{ path: ['boards', board], values: { aliases: [...sheet.boards.get(board)!.aliases, alias] } }];
    }
  }
}

const capital = (word: string) => `${word.charAt(0).toUpperCase()}${word.slice(1)}`;

/** The text of a new sheet laid over another, to be refined. */
export function adoptedText(id: string, parent: string, title: string): string {
  return `format: tovrik-sheet/1
id: ${id}
extends: ${parent}
title: ${JSON.stringify(title)}

# Write down only what differs. A name given as null is taken out.
points: {}
`;
}

/** Is it the sheet of a kind of set, of any make? */
export const isAnyMake = (sheet: string): boolean => sheet.startsWith('generic-');

/**
 * The id of the shop's own refinement of a sheet. What fits any make is refined for one make and model.
 *
 * @param model as the set is called; needed where the sheet fits any make
 */
export function adoptedId(parent: string, model = ''): string {
  const words = model
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .slice(0, 40);
  return isAnyMake(parent) && words !== '' ? `my-${words}` : `my-${parent}`;
}
