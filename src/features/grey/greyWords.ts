import { turnWords } from '@/core/quantity';
import { type GreyControl } from '@/core/setup';
import { familyOf, type Technology } from '@/core/sheet';

/** How the controls of the grey scale are called and set on sets of a technology. */
export interface GreyWords {
  /** What is to be minded, or made ready, before. */
  readonly before: string;
  control(control: GreyControl): string;
  /** How far a control is to be taken. */
  amount(turn: number): string;
  /** The turn that comes of it: a register goes by whole steps. */
  settable(turn: number): number;
  readonly done: string;
  readonly contrary: string;
}

const byTrimmers: GreyWords = {
  before:
    'The set is on and warm for this: insulated tool, one hand, the neck’s pins are at hundreds of volts. Screen and B+ are set before.',
  control: (control) => control,
  amount: turnWords,
  settable: (turn) => turn,
  done: 'Turned',
  contrary: 'If clockwise does the contrary on this board, turn it the other way each time.',
};

/** Steps of a register that do about what a turn of a trimmer does. */
const stepsPerTurn = 24;
const stepsOf = (turn: number): number => Math.max(1, Math.round(Math.abs(turn) * stepsPerTurn));

/** A panel or a light engine has registers of its service menu in place of trimmers: an offset for what is dark, a gain for what is bright. */
const byRegisters: GreyWords = {
  before:
    'The set is on and warm for this, half an hour at least. Write the registers down as they stand before the first is changed.',
  control: (control) => control.replace('cut-off', 'offset').replace('drive', 'gain'),
  amount: (turn) => `${stepsOf(turn)} ${stepsOf(turn) === 1 ? 'step' : 'steps'} ${turn >= 0 ? 'up' : 'down'}`,
  settable: (turn) => (Math.sign(turn || 1) * stepsOf(turn)) / stepsPerTurn,
  done: 'Set',
  contrary: 'If up does the contrary in this menu, go the other way each time.',
};

export const greyWords = (technology: Technology): GreyWords =>
  familyOf(technology) === 'tube' ? byTrimmers : byRegisters;
