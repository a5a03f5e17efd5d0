import { type Check } from '../behaviour';
import { partKindNames, type PartKind } from '../parts';
import { formatQuantity, parseQuantity, Refusal } from '../quantity';
import { exampleOfPart, kindOfReference, type Net, type PartRole, type Sheet, type SheetChange } from '../sheet';
import { type EntryScope, findNamed, unknownPoint } from './named';

/** What a line typed at the bench adds to the sheet of the set. */
export type Refinement =
  | { readonly kind: 'change'; readonly change: SheetChange; readonly said: string }
  | { readonly kind: 'learn'; readonly check: Check };

/**
 * Reads a line that refines the sheet: `new tp4 v12 12.1 pin 3` puts a point in, `part R118 22R neck feeds vhi` a
 * part, `rail v18 18 from supply to logic at tp18` a rail, `code 5 v18` a code, `board neck called VB-7` another name of a
 * board; `learn tp4` takes its last reading as what a good set shows. Undefined for any other line.
 *
 * @throws Refusal when a name is not known, or is there already
 */
export function readRefinement(line: string, scope: EntryScope): Refinement | undefined {
  const words = line.trim().split(/\s+/);
  const [first = '', ...rest] = words;
  switch (first.toLowerCase()) {
    case 'new':
    case 'point':
      return readNewPoint(rest, scope);
    case 'part':
      return readPart(rest, scope);
    case 'rail':
      return readRail(rest, scope);
    case 'code':
      return rest.length > 1 ? readCode(rest, scope) : undefined;
    case 'board':
      return readBoard(rest, scope);
    case 'learn': {
      if (rest.length !== 1) return undefined;
      const named = findNamed(rest, { ...scope, focus: undefined });
      if (!named) throw unknownPoint(rest, scope);
      return { kind: 'learn', check: named.check };
    }
    default:
      return undefined;
  }
}

const isShortName = (name: string) => /^[a-z][\w-]{0,30}$/i.test(name);
const isNumber = (word: string) => /^[-+.,\d]/.test(word);

/**
 * Is a word that was typed a name for what is new?
 *
 * @param needs what is said where none was typed
 * @throws Refusal where it could not be told from a value
 */
function checkName(word: string, needs: string): void {
  if (isShortName(word)) return;
  const [, sign, digits] = /^([-+]?)(\d+)/.exec(word) ?? [];
  throw new Refusal(
    digits === undefined
      ? needs
      : `"${word}" would be read as a value: a name begins with a letter, such as ${sign === '-' ? 'n' : 'v'}${digits}`,
  );
}

/** `new tp4 v12 12.1 pin 3 of CN2`: a name, the net it is on, what the manual gives and where it is. */
function readNewPoint(words: readonly string[], { sheet, checks }: EntryScope): Refinement {
  const [name = '', on = '', third = ''] = words;
  const example = `like "new tp4 ${[...sheet.nets.keys()][0] ?? 'v12'} 12.1 pin 3"`;
  const needs = `a new point needs a short name, its net, and if known the volts and the place, ${example}`;
  checkName(name, needs);
  if (on === '') throw new Refusal(needs);
  if (findNamed([name], { sheet, checks })) throw new Refusal(`${sheet.title} has a point "${name}" already`);
  const net = netNamed(on, { sheet, checks });
  const volts = isNumber(third) ? voltsOf(third, `a new point is read in volts, ${example}`) : undefined;
  return {
    kind: 'change',
    change: {
      kind: 'point',
      point: name,
      net,
      where: words.slice(volts === undefined ? 2 : 3).join(' '),
      source: 'manual',
      ...(volts === undefined ? {} : { volts }),
    },
    said: `a point for ${sheet.nets.get(net)!.title}, into the sheet`,
  };
}

function voltsOf(word: string, refused: string): number {
  const { value, unit } = parseQuantity(word);
  if (unit !== undefined && unit !== 'V') throw new Refusal(refused);
  return value;
}

/** Words for what a part is to a net. */
const roleWords: ReadonlyMap<string, PartRole> = new Map(
  Object.entries({
    feeds: 'feeds',
    supplies: 'feeds',
    series: 'feeds',
    shunts: 'shunts',
    across: 'shunts',
    smooths: 'shunts',
    filters: 'shunts',
    decouples: 'shunts',
    loads: 'shunts',
    senses: 'senses',
    drives: 'drives',
    makes: 'drives',
  }),
);
const roleSaid: Readonly<Record<PartRole, string>> = {
  feeds: 'feeds',
  shunts: 'lies from',
  senses: 'senses',
  drives: 'drives',
};

/** The figures among words, as a part is marked. */
const valueOf = (words: readonly string[]) => words.filter(isNumber).join(' ');

/** `part R118 22R neck feeds vhi`: a reference, its value or kind, where it is, and what it is to a net. */
function readPart(words: readonly string[], scope: EntryScope): Refinement {
  const { sheet } = scope;
  const [reference = '', ...rest] = words.filter((word) => !/^(?:in|with|on|the|to|ground)$/i.test(word));
  const ownExample = isShortName(reference)
    ? exampleOfPart(reference.toUpperCase(), valueOf(rest), sheet)
    : exampleOfPart('R118', '22R', sheet);
  const example = `like "${ownExample}"; it feeds, shunts, senses or drives a net`;
  if (!isShortName(reference)) throw new Refusal(`a part needs its reference first, ${example}`);
  const known = [...sheet.parts.values()].find(({ id }) => id.toLowerCase() === reference.toLowerCase());
  if (known) throw new Refusal(`${sheet.title} has ${known.title} already: type what it reads, like "${known.id} 22"`);
  const at = rest.findIndex((word) => roleWords.has(word.toLowerCase()));
  if (at < 0 || rest.length < at + 2) throw new Refusal(`a part needs what it does to which net, ${example}`);
  const role = roleWords.get(rest[at]!.toLowerCase())!;
  const before = rest.slice(0, at);
  const value = valueOf(before);
  const named = before.find((word) => partKindNames.includes(word.toLowerCase() as PartKind));
  const place = before.filter((word) => !isNumber(word) && word !== named).join(' ');
  const near = place === '' ? undefined : blockNamed(place, undefined, sheet);
  const net = netNamed(rest.slice(at + 1).join(' '), scope, near);
  const is = (named?.toLowerCase() as PartKind | undefined) ?? kindOfReference(reference, value);
  if (!is)
    throw new Refusal(
      `what is ${reference}? Put its kind behind it: ${partKindNames.slice(0, 12).join(', ')} …; ${example}`,
    );
  const block = blockNamed(place, net, sheet);
  if (value !== '') parseQuantity(value.split(' ')[0]!);
  const title = sheet.nets.get(net)!.title;
  return {
    kind: 'change',
    change: { kind: 'part', part: reference.toUpperCase(), is, value, block, role, net },
    said: `${is} in ${sheet.blocks.get(block)!.short}, ${roleSaid[role]} ${title}${role === 'shunts' ? ' to ground' : ''}: into the sheet of this set`,
  };
}

/** The words behind each of some leading words: `from supply at tp18` is supply and tp18. */
function phrases(words: readonly string[], leading: readonly string[]): ReadonlyMap<string, string> {
  const found = new Map<string, string>();
  let under = '';
  for (const word of words) {
    if (leading.includes(word.toLowerCase()) && !found.has(word.toLowerCase())) under = word.toLowerCase();
    else found.set(under, `${found.get(under) ?? ''} ${word}`.trim());
  }
  return found;
}

/** `rail v18 18 from supply to logic at tp18`: a name, its volts, what makes and what needs it, and where it is measured. */
function readRail(words: readonly string[], { sheet, checks }: EntryScope): Refinement {
  const example = 'like "rail v18 18 from supply to logic at tp18"';
  const [rail = '', volts = '', ...rest] = words;
  const needs = `a rail needs a short name and its volts, ${example}`;
  checkName(rail, needs);
  if (!isNumber(volts)) throw new Refusal(needs);
  const value = voltsOf(volts, `a rail is given in volts, ${example}`);
  const known = [...sheet.nets.values()].find(({ id }) => id.toLowerCase() === rail.toLowerCase());
  if (known) return readOwnVolts(known, value, rest, { sheet, checks });
  const said = phrases(rest, ['from', 'to', 'at', 'on']);
  if (!said.get('from')) throw new Refusal(`say which block makes it, ${example}`);
  const block = blockNamed(said.get('from')!, undefined, sheet);
  const user = said.get('to') ? blockNamed(said.get('to')!, undefined, sheet) : undefined;
  const where = [said.get('at'), said.get('on')].flatMap((place) => place?.split(' ') ?? []);
  const point = where[0] !== undefined && isShortName(where[0]) && /\d/.test(where[0]) ? where[0] : `${rail}-dc`;
  if (checks.has(point)) throw new Refusal(`${sheet.title} has a point "${point}" already`);
  return {
    kind: 'change',
    change: { kind: 'rail', rail, volts: value, block, ...(user && { user }), point, where: where.join(' ') },
    said: `${formatQuantity(value, 'V', 3)} made by ${sheet.blocks.get(block)!.title}${user ? ` for ${sheet.blocks.get(user)!.title}` : ''}, read as "${rail}": into the sheet of this set`,
  };
}

/** `rail vpos 24`: what a rail that the sheet has is on sets of this chassis. */
function readOwnVolts(
  { id, title, label }: Net,
  volts: number,
  more: readonly string[],
  { sheet, checks }: EntryScope,
): Refinement {
  if (more.length > 0)
    throw new Refusal(
      `${sheet.title} has a net "${id}" already: "rail ${id} ${volts}" alone says what it is here, "new tp4 ${id} ${volts}" puts a point on it`,
    );
  if (label !== undefined) throw new Refusal(`${title} goes by the set’s own label: type it under What it is`);
  const check = [...checks.values()].find(({ measure, point }) => measure === 'dc' && point?.net === id);
  if (!check)
    throw new Refusal(`${sheet.title} has no point to read "${id}" at: "new tp4 ${id} ${volts}" puts one on it`);
  return {
    kind: 'change',
    change: { kind: 'point', point: check.id, volts, source: 'manual' },
    said: `${title} is ${formatQuantity(volts, 'V', 3)} on these sets: into the sheet of this set`,
  };
}

/** `code 5 v18 overvoltage`: a count of blinks, the net it speaks of, and what it means. */
function readCode([count = '', on = '', ...meaning]: readonly string[], scope: EntryScope): Refinement {
  const { sheet } = scope;
  const blinks = Number(count);
  if (!Number.isInteger(blinks) || blinks < 1 || blinks > 30)
    throw new Refusal('a code is a whole number of blinks, like "code 5 v18"');
  const known = sheet.protections.find((one) => one.blinks === blinks);
  if (known) throw new Refusal(`${sheet.title} has ${blinks} blinks already: ${known.title}`);
  const net = netNamed(on, scope);
  return {
    kind: 'change',
    change: { kind: 'code', blinks, net, meaning: meaning.join(' ') },
    said: `${blinks} blinks mean ${sheet.nets.get(net)!.title}: into the sheet of this set`,
  };
}

/** `board neck called VB-7`: a board, and what else it is called. */
function readBoard(words: readonly string[], { sheet }: EntryScope): Refinement {
  const at = words.findIndex((word) => word.toLowerCase() === 'called');
  const [name, alias] = [words.slice(0, at).join(' ').toLowerCase(), words.slice(at + 1).join(' ')];
  const boards = [...sheet.boards.keys()];
  if (at < 1 || alias === '')
    throw new Refusal(
      `say which board and what it is called, like "board ${boards.at(1) ?? 'main'} called ${words[0] ?? 'VB-7'}"; it has ${boards.join(', ')}`,
    );
  const board = [...sheet.boards.values()].find(({ id, title, aliases }) =>
    [id, title, ...aliases].some((one) => squeezed(withoutKind(one)) === squeezed(withoutKind(name))),
  );
  if (!board)
    throw new Refusal(
      `${sheet.title} has no board "${name}"; it has ${[...sheet.boards.values()].map(({ id, title }) => titled(id, title)).join(', ')}`,
    );
  return {
    kind: 'change',
    change: { kind: 'board', board: board.id, alias },
    said: `${board.title} is called ${alias} too: into the sheet of this set`,
  };
}

/** A name as it is compared: written together, apart or with hyphens it is the same. */
const squeezed = (name: string) => name.toLowerCase().replace(/[^\p{L}\p{N}]+/gu, '');

/** A place without the word that says what kind of place it is. */
const withoutKind = (place: string) => place.replace(/\s+(?:board|stage|block)$/i, '');

/** A short name with what it stands for, where that says more. */
const titled = (id: string, title: string) => (id.toLowerCase() === title.toLowerCase() ? id : `${id} (${title})`);

/** The fewest letters that a name may be cut to. */
const shortestStart = 3;

/** What other schools call the two deflections. */
const schools: ReadonlyMap<string, string> = new Map([
  ['frame', 'field'],
  ['vertical', 'field'],
  ['horizontal', 'line'],
]);

/**
 * The block a place names: by its own names, by its board, or where nothing is said by the net it makes.
 *
 * @throws Refusal where there is none of that name
 */
function blockNamed(place: string, net: string | undefined, { title, blocks, boards }: Sheet): string {
  const all = [...blocks.values()];
  const joined = ({ makes, needs }: (typeof all)[number]) =>
    net !== undefined && (makes.includes(net) || needs.includes(net));
  const maker = all.find(({ makes }) => net !== undefined && makes.includes(net));
  if (place === '' && maker) return maker.id;
  const bare = withoutKind(place).toLowerCase();
  const wanted = schools.get(bare) ?? bare;
  const words = (text: string) => text.toLowerCase().split(/[\s_,-]+/);
  const same = (text: string) => squeezed(text) === squeezed(wanted);
  const named = (text: string) => same(text) || words(text).includes(wanted);
  const exact = all.find(({ id, short, title: own }) => [id, short, own].some(same));
  if (exact) return exact.id;
  const onBoard = all.filter(({ board }) => {
    const { id, title: own, aliases } = boards.get(board) ?? { id: board, title: '', aliases: [] };
    return [id, own, ...aliases].some(named);
  });
  const begins = (text: string) => squeezed(text).startsWith(squeezed(wanted));
  const begun =
    squeezed(wanted).length < shortestStart ? [] : all.filter((one) => [one.id, one.short, one.title].some(begins));
  const found =
    onBoard.find(joined) ??
    all.find((block) => named(block.title)) ??
    onBoard[0] ??
    (begun.length === 1 ? begun[0] : undefined);
  if (!found)
    throw new Refusal(
      `${title} has no block or board "${place}". Leave the place out, or name one of ${all.map(({ id }) => id).join(', ')}; a board learns its name by "board ${[...boards.keys()].at(1) ?? 'main'} called ${place}"`,
    );
  return found.id;
}

/** Nets listed where one was not found; more would not be read at a bench. */
const mostListed = 14;

/**
 * The net that is meant: by its own name, by its title, or by a point on it.
 *
 * @param near a block: nets of its board come first where there is none of that name
 * @throws Refusal where there is none of that name
 */
function netNamed(name: string, scope: EntryScope, near?: string): string {
  const { title, nets, blocks } = scope.sheet;
  const own = [...nets.values()].find((net) => [net.id, net.title].some((one) => squeezed(one) === squeezed(name)));
  const net = own?.id ?? findNamed([name], { ...scope, focus: undefined })?.check.point?.net;
  if (net !== undefined) return net;
  const board = near === undefined ? undefined : blocks.get(near)!.board;
  const beside = [...blocks.values()].filter((block) => block.board === board).flatMap(({ makes }) => makes);
  const listed = [...new Set([...beside, ...nets.keys()])].slice(0, mostListed).map((id) => nets.get(id)!);
  const named = listed.map((net) => titled(net.id, net.title)).join(', ');
  throw new Refusal(`${title} has no net "${name}"; it has ${named}${nets.size > mostListed ? ' …' : ''}`);
}
