import { type Minutes } from '../quantity';
import { type Fault, type FaultMode, type Part, type PartKind, partName, type Sheet } from '../sheet';

/** Ways of putting a set right: one part, all the capacitors of a board, or the board. */
export const repairMethods = ['replace', 'resolder', 'reseat', 'clean', 'adjust', 'swap', 'recap'] as const;
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
}

const methodOf: Readonly<Partial<Record<FaultMode, RepairMethod>>> = {
  joint: 'resolder',
  loose: 'reseat',
  dirty: 'clean',
  misset: 'adjust',
};

const methodMinutes: Readonly<Record<Exclude<RepairMethod, 'replace' | 'swap' | 'recap'>, Minutes>> = {
  resolder: 6,
  reseat: 3,
  clean: 6,
  adjust: 5,
};

/** Minutes of bench work and price of a common replacement, by kind. */
const replacing: Readonly<Partial<Record<PartKind, { minutes: Minutes; money: number }>>> = {
  battery: { minutes: 1, money: 1 },
  ceramic: { minutes: 8, money: 0.2 },
  electrolytic: { minutes: 8, money: 0.6 },
  film: { minutes: 8, money: 0.8 },
  flex: { minutes: 120, money: 20 },
  flyback: { minutes: 40, money: 25 },
  ballast: { minutes: 30, money: 35 },
  fan: { minutes: 15, money: 6 },
  lamp: { minutes: 8, money: 60 },
  motor: { minutes: 30, money: 40 },
  optics: { minutes: 60, money: 30 },
  fuse: { minutes: 3, money: 0.4 },
  ic: { minutes: 30, money: 6 },
  lead: { minutes: 1, money: 4 },
  mosfet: { minutes: 15, money: 3 },
  panel: { minutes: 240, money: 180 },
  relay: { minutes: 15, money: 3 },
  resistor: { minutes: 7, money: 0.1 },
  screw: { minutes: 4, money: 0 },
  source: { minutes: 3, money: 0 },
  tube: { minutes: 150, money: 40 },
  transformer: { minutes: 25, money: 12 },
  yoke: { minutes: 60, money: 15 },
};

const ordinary = { minutes: 12, money: 1.5 };

/** The repair that puts one fault right in the least work. */
export function methodFor(mode: FaultMode): RepairMethod {
  return methodOf[mode] ?? 'replace';
}

const verbs: Readonly<Record<RepairMethod, string>> = {
  replace: 'Fit a new',
  resolder: 'Resolder',
  reseat: 'Reseat and tighten',
  clean: 'Clean',
  adjust: 'Set',
  swap: 'Fit another',
  recap: 'Fit new electrolytics on the',
};

/** How a repair is said: `Fit a new upper floating capacitor C547`. */
export function repairTitle(method: RepairMethod, part: Pick<Part, 'id' | 'title' | 'kind'>): string {
  if (method === 'replace' && part.kind === 'source') return 'Use another source';
  return `${verbs[method]} ${lowerFirst(partName(part))}`;
}

function lowerFirst(text: string): string {
  return /^[A-Z][a-z]/.test(text) ? text.charAt(0).toLowerCase() + text.slice(1) : text;
}

const known = new WeakMap<Sheet, readonly RepairAction[]>();

/**
 * Every repair that cures at least one fault of the sheet. Replacing a part cures all its faults,
 * another board those of all its parts, new capacitors those of all its electrolytics.
 */
export function repairActions(sheet: Sheet): readonly RepairAction[] {
  let actions = known.get(sheet);
  if (!actions) known.set(sheet, (actions = [...partActions(sheet), ...boardActions(sheet)]));
  return actions;
}

/** A board with fewer electrolytics is not worth a kit. */
const fewestInKit = 3;

function boardActions(sheet: Sheet): RepairAction[] {
  return [...sheet.boards.values()].flatMap((board) => {
    const faults = [...sheet.faults.values()].filter((fault) => sheet.parts.get(fault.part)!.board === board.id);
    const actions: RepairAction[] = [];
    if (board.value > 0 && faults.length > 0)
      actions.push({
        id: `swap:${board.id}`,
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
        money: cans.reduce((sum, part) => sum + (part.price ?? replacing.electrolytic!.money), 0),
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

function partActions(sheet: Sheet): RepairAction[] {
  const byPart = new Map<string, Fault[]>();
  for (const fault of sheet.faults.values()) byPart.set(fault.part, [...(byPart.get(fault.part) ?? []), fault]);
  return [...byPart].flatMap(([id, faults]) => {
    const part = sheet.parts.get(id)!;
    const removal = sheet.boards.get(part.board)?.removal ?? 0;
    const methods = [...new Set(faults.map((fault) => methodFor(fault.mode)))];
    return methods.map((method): RepairAction => {
      const { minutes, money } = replacing[part.kind] ?? ordinary;
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
      };
    });
  });
}
