import { Refusal } from '../quantity';
import { type CountedPart, readCounted } from './countedPart';
import { type DonorCondition, donorConditions } from './donorConditions';
import { usualOf } from './harvest/usual';

/** A line typed at a donor: what sits in it, on which board, what is known of it, and how long taking one out takes. */
export interface DonorLine extends CountedPart {
  readonly board: string;
  readonly condition: DonorCondition;
  /** For each piece. */
  readonly minutes: number;
}

const mostMinutes = 600;

/**
 * Reads what sits in a donor: `C 680u 50V lowesr x4 on PSU tested 3 min`, the part first. What is not said is unknown, and
 * takes what such a part usually takes.
 *
 * @throws Refusal
 */
export function readDonorLine(typed: string): DonorLine {
  let line = typed.trim();
  const takes = /\s+(\d+(?:[.,]\d+)?)\s*min$/i.exec(line);
  if (takes) line = line.slice(0, takes.index);
  const known = new RegExp(`\\s+(${donorConditions.join('|')})$`, 'i').exec(line);
  if (known) line = line.slice(0, known.index);
  const on = /\s+on\s+(\S.*)$/i.exec(line);
  if (on) line = line.slice(0, on.index);
  const board = on?.[1]?.trim() ?? '';
  if (board.length > 40) throw new Refusal('the name of a board has at most 40 letters');
  const counted = readCounted(line);
  const minutes = takes ? Number(takes[1]!.replace(',', '.')) : usualOf(counted.part.kind).minutes;
  if (minutes > mostMinutes) throw new Refusal(`taking it out in ${minutes} min is no plan: ${mostMinutes} at most`);
  const condition = (known?.[1]?.toLowerCase() as DonorCondition | undefined) ?? 'unknown';
  return { ...counted, board, condition, minutes };
}
