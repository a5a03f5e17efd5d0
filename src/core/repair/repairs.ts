import { kept } from '../recent';
import { sumOf } from '../statistics';
import { type FaultMode, faultModes, replacing } from '../parts';
import { type Minutes } from '../quantity';
import { type Fault, isListed, type Part, partName, type Sheet } from '../sheet';

/** Ways of putting a set right: one part, all the capacitors of a board, or the board. */
export const repairMethods = [
  'replace',
  'resolder',
  'reseat',
  'clean',
  'adjust',
  'swap',
  'recap',
  'trace',
  'follow',
] as const;
export type RepairMethod = (typeof repairMethods)[number];

/** What a repair does, what it takes and which faults it cures. */
export interface RepairAction {
  /** `method:part`, or `method:board` for what concerns a whole board. */
  readonly id: string;
  readonly method: RepairMethod;
  readonly title: string;
  readonly minutes: Minutes;
  /** Parts, in the shop's money. */
  readonly money: number;
  readonly cures: readonly string[];
  /** Of these, what a sheet lists: by that a repair is recorded, for the rest follows from what was done. */
  readonly listed: readonly string[];
  /** Is it done with the set on: a trimmer that is set, another source that is plugged in? */
  readonly inLiveSet: boolean;
}

/** Is it a search for what nobody has listed? */
export const isSearch = ({ method }: Pick<RepairAction, 'method'>): boolean =>
  method === 'trace' || method === 'follow';

/** Why a repair is not made in the state that the set is in, and what would be right; undefined where it is. */
export function repairRefused({ inLiveSet }: Pick<RepairAction, 'inLiveSet'>, isLive: boolean): string | undefined {
  return isLive && !inLiveSet
    ? 'repairs are made with the plug out and the stores proven: Alt P when it is out'
    : undefined;
}

const methodMinutes: Readonly<
  Record<Exclude<RepairMethod, 'replace' | 'swap' | 'recap' | 'trace' | 'follow'>, Minutes>
> = {
  resolder: 6,
  reseat: 3,
  clean: 6,
  adjust: 5,
};

/** The repair that puts one fault right in the least work. */
export function methodFor(mode: FaultMode): RepairMethod {
  return faultModes[mode].repair;
}

const verbs: Readonly<Record<RepairMethod, string>> = {
  replace: 'Fit a new',
  resolder: 'Resolder',
  reseat: 'Reseat and tighten',
  clean: 'Clean',
  adjust: 'Set',
  swap: 'Fit another',
  recap: 'Fit new electrolytics on the',
  trace: 'Go part by part through',
  follow: 'Follow',
};

/** How a repair is said: `Fit a new upper floating capacitor C547`. */
export function repairTitle(method: RepairMethod, part: Pick<Part, 'id' | 'title' | 'kind'>): string {
  if (method === 'replace' && part.kind === 'source') return 'Use another source';
  const named = lowerFirst(partName(part)).replace(/^the /i, '');
  return `${method === 'replace' && isMany(part.title) ? 'Fit new' : verbs[method]} ${named}`;
}

/** Does a title name several things, like line coils or front keys? */
const isMany = (title: string): boolean =>
  /(?:coils|keys|rings|contacts|batteries|fans|leads|capacitors|resistors|screws)$/i.test(title.split(' of ')[0]!);

function lowerFirst(text: string): string {
  return /^[A-Z][a-z]/.test(text) ? text.charAt(0).toLowerCase() + text.slice(1) : text;
}

const known = new WeakMap<Sheet, readonly RepairAction[]>();

/**
 * Every repair that cures at least one fault of the sheet. Replacing a part cures all its faults,
 * another board those of all its parts, new capacitors those of all its electrolytics.
 */
export function repairActions(sheet: Sheet): readonly RepairAction[] {
  return kept(known, sheet, () =>
    [...partActions(sheet), ...boardActions(sheet), ...searches(sheet), ...pursuits(sheet)].map((one) => ({
      inLiveSet: false,
      ...one,
      listed: one.cures.filter((id) => isListed(sheet.faults.get(id)!)),
    })),
  );
}

/** A board with fewer electrolytics is not worth a kit. */
const fewestInKit = 3;

type WorkedOut = Omit<RepairAction, 'listed' | 'inLiveSet'> & { readonly inLiveSet?: boolean };

/** The repair that puts another board in. */
export const swapOf = (board: string): string => `swap:${board}`;

/** The board that a repair puts in anew; undefined where it does something else. */
export function swappedBoard(action: string): string | undefined {
  const [method, board] = action.split(':');
  return method === 'swap' ? board : undefined;
}

function boardActions(sheet: Sheet): WorkedOut[] {
  return [...sheet.boards.values()].flatMap((board) => {
    const faults = [...sheet.faults.values()].filter(
      ({ mode, part }) => mode !== 'elsewhere' && sheet.parts.get(part)!.board === board.id,
    );
    const actions: WorkedOut[] = [];
    if (board.value > 0 && faults.length > 0)
      actions.push({
        id: swapOf(board.id),
        method: 'swap',
        title: `${verbs.swap} ${lowerFirst(board.title)}`,
        minutes: board.removal + swapSetUp,
        money: board.value,
        cures: faults.map(({ id }) => id),
      });
    const cans = [...sheet.parts.values()].filter((part) => part.board === board.id && part.kind === 'electrolytic');
    if (cans.length >= fewestInKit)
      actions.push({
        id: `recap:${board.id}`,
        method: 'recap',
        title: `${verbs.recap} ${lowerFirst(board.title)}`,
        minutes: board.removal + cans.length * minutesPerCan,
        money: sumOf(cans, (part) => part.price ?? replacing(part.kind).money),
        cures: faults
          .filter(
            (fault) => sheet.parts.get(fault.part)!.kind === 'electrolytic' && methodFor(fault.mode) === 'replace',
          )
          .map(({ id }) => id),
      });
    return actions;
  });
}

/** Setting up another board, and fitting one capacitor among many. */
const swapSetUp: Minutes = 8;
const minutesPerCan: Minutes = 5;

/** Finding the stretch of a block that is bad, and trying one of its parts. */
const toSearch: Minutes = 12;
const minutesPerPart: Minutes = 1;
const longestSearch: Minutes = 30;

/** Going through a block part by part until what is bad in it is found, whether its sheet lists it or not, and renewing that. */
function searches(sheet: Sheet): WorkedOut[] {
  const faults = [...sheet.faults.values()].filter(({ mode }) => mode !== 'elsewhere');
  const blockOf = (fault: Fault) => sheet.parts.get(fault.part)!.block;
  const open = new Set(faults.flatMap((fault) => (faultModes[fault.mode].repair === 'trace' ? [blockOf(fault)] : [])));
  return [...open].map((id): WorkedOut => {
    const block = sheet.blocks.get(id)!;
    const inside = faults.filter((fault) => blockOf(fault) === id);
    const parts = new Set(inside.map(({ part }) => part)).size;
    const { minutes, money } = replacing('unlisted');
    return {
      id: `trace:${id}`,
      method: 'trace',
      title: `${verbs.trace} ${lowerFirst(block.title)}`,
      minutes:
        (sheet.boards.get(block.board)?.removal ?? 0) +
        Math.min(longestSearch, toSearch + parts * minutesPerPart) +
        minutes,
      money,
      cures: inside.map((fault) => fault.id),
    };
  });
}

/** Following a net through all that it touches, wherever that is. */
const toFollow: Minutes = 35;

/** Following a net to whatever acts on it, in whichever block, and renewing that. */
function pursuits(sheet: Sheet): WorkedOut[] {
  const byPart = new Map<string, Fault[]>();
  for (const fault of sheet.faults.values())
    if (faultModes[fault.mode].repair === 'follow') byPart.set(fault.part, [...(byPart.get(fault.part) ?? []), fault]);
  return [...byPart.values()].map((faults): WorkedOut => {
    const [net] = [...faults[0]!.sets.keys()];
    const { minutes, money } = replacing('unlisted');
    return {
      id: `follow:${net}`,
      method: 'follow',
      title: `${verbs.follow} ${sheet.nets.get(net!)!.title} to all that it touches`,
      minutes: toFollow + minutes,
      money,
      cures: faults.map(({ id }) => id),
    };
  });
}

function partActions(sheet: Sheet): WorkedOut[] {
  const byPart = new Map<string, Fault[]>();
  for (const fault of sheet.faults.values())
    if (!isSearch({ method: faultModes[fault.mode].repair }))
      byPart.set(fault.part, [...(byPart.get(fault.part) ?? []), fault]);
  return [...byPart].flatMap(([id, faults]) => {
    const part = sheet.parts.get(id)!;
    const removal = sheet.boards.get(part.board)?.removal ?? 0;
    const methods = [...new Set(faults.map((fault) => methodFor(fault.mode)))];
    return methods.map((method): WorkedOut => {
      const { minutes, money } = replacing(part.kind);
      const board = method === 'adjust' || method === 'reseat' ? 0 : removal;
      return {
        id: `${method}:${id}`,
        method,
        title: repairTitle(method, part),
        minutes: board + (method in methodMinutes ? methodMinutes[method as keyof typeof methodMinutes] : minutes),
        money: method === 'replace' ? (part.price ?? money) : 0,
        cures: faults
          .filter((fault) => method === 'replace' || methodFor(fault.mode) === method)
          .map((fault) => fault.id),
        inLiveSet: method === 'adjust' || part.kind === 'source',
      };
    });
  });
}
