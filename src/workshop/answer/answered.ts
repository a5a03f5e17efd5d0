import { ValidationError } from 'yup';
import { Refusal } from '@/core/quantity';
import { fullDisk } from '@/store';

/**
 * What a page asked for: what came of it, or why nothing was done and what would be right. Ask for `refused`: a `done`
 * of nothing is lost on the way to the page.
 */
export type Answered<T = undefined> = { readonly done: T } | { readonly refused: string };

/**
 * Does what a page asked for. A refusal, a form that is not right, or a full disk becomes one message to show; any
 * other error is thrown on.
 */
export async function answered<T>(work: () => Promise<T>): Promise<Answered<T>> {
  try {
    return { done: await work() };
  } catch (error) {
    if (error instanceof Refusal) return { refused: error.message };
    if (error instanceof ValidationError) return { refused: error.errors[0] ?? error.message };
    const full = fullDisk(error);
    if (full) return { refused: full.message };
    throw error;
  }
}
