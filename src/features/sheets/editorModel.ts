import { liveCold, predictionsOf } from '@/core/behaviour';
import { type Picture, symptomsOf, symptomTitles } from '@/core/picture';
import { type SourceTrouble } from '@/ui';
import { lintSheet, type Problem, readSheet, type Sheet, SheetError } from '@/core/sheet';

/** What a text under edit comes to. */
export interface Checked {
  /** The sheet it makes; undefined while it cannot be read. */
  readonly sheet: Sheet | undefined;
  /** What keeps it from being used. */
  readonly problems: readonly Problem[];
  /** What is usable but likely not meant. */
  readonly warnings: readonly Problem[];
}

/** Reads a text as it is typed. Never throws for what a person may type. */
export function checkText(text: string, parents: Readonly<Record<string, string>>): Checked {
  try {
    const sheet = readSheet(text, { textOf: (id) => parents[id] });
    return { sheet, problems: [], warnings: lintSheet(sheet) };
  } catch (error) {
    if (!(error instanceof SheetError)) throw error;
    return { sheet: undefined, problems: error.problems, warnings: [] };
  }
}

/** What is wrong in this very text, as the editor marks it; what lies in a sheet below has no line here. */
export function troublesOf({ problems, warnings }: Checked): SourceTrouble[] {
  const marks = (all: readonly Problem[], severity: SourceTrouble['severity']) =>
    all
      .filter(({ sheet }) => sheet === undefined)
      .map(({ line, message }): SourceTrouble => ({ line, message, severity }));
  return [...marks(problems, 'error'), ...marks(warnings, 'warning')];
}

/** Names that a text may speak of: those of the sheet as it was when it could be read last. */
export function sheetWords(sheet: Sheet | undefined): string[] {
  if (!sheet) return [];
  const { nets, points, blocks, boards, parts, faults, signs, stores } = sheet;
  return [
    ...new Set([nets, points, blocks, boards, parts, faults, signs, stores].flatMap((named) => [...named.keys()])),
  ];
}

/** A problem with where it is: `line 12`, or `in crt, line 12` for a sheet below. */
export function placeText({ line, sheet }: Problem): string {
  return sheet === undefined ? `line ${line}` : `in ${sheet}, line ${line}`;
}

/** What a set with a fault would show and do. */
export interface FaultLook {
  readonly picture: Picture;
  readonly shows: string;
  readonly blinks: number;
  readonly signs: readonly string[];
  /** Rails that are not as they should be. */
  readonly rails: readonly { readonly title: string; readonly words: string }[];
}

export function lookOf(sheet: Sheet, faultId: string): FaultLook | undefined {
  const fault = sheet.faults.get(faultId);
  if (!fault) return undefined;
  const predictions = predictionsOf(sheet);
  const seen = predictions.behaviour(fault, liveCold);
  const usual = predictions.behaviour(undefined, liveCold);
  return {
    picture: seen.picture,
    shows: [...symptomsOf(seen.picture)].map((symptom) => symptomTitles[symptom]).join(', '),
    blinks: seen.blinks,
    signs: [...seen.signs]
      .filter(([id, state]) => usual.signs.get(id) !== state)
      .map(([id, state]) => `${sheet.signs.get(id)!.title}: ${state}`),
    rails: [...sheet.nets.values()].flatMap((net, index) => {
      const state = seen.nets[index]!;
      if (net.kind !== 'rail' || (Math.abs(state.ratio - 1) < 0.04 && !state.rippled)) return [];
      const words = state.brief
        ? 'up, then gone'
        : state.shorted
          ? 'held down'
          : state.rippled && Math.abs(state.ratio - 1) < 0.04
            ? 'rippled'
            : `${Math.round(state.ratio * 100)} %`;
      return [{ title: net.title, words }];
    }),
  };
}
