import { readFileSync } from 'node:fs';
import path from 'node:path';
import { parse } from 'yaml';
import { type NeedState } from '@/core/supply';
import { type PlayedSupplier } from '@/instruments/standIns/supplierServer';
import { type Outcome, type Waiting } from '@/store';

/** How far a set of the scenario has come. */
export type Stage = 'taken in' | 'measuring' | 'repaired' | 'verified';

/** A set of the Saltmere Cliff Railway that is in the winding house now. */
export interface DemoSet {
  readonly title: string;
  readonly place: string;
  readonly owner: string;
  readonly sheet: string;
  /** The hidden fault; readings are made from it. */
  readonly fault: string;
  readonly options?: Readonly<Record<string, string>>;
  readonly words: string;
  readonly value: number;
  readonly limit: number;
  readonly stage: Stage;
  readonly daysAgo: number;
  /** What it waits for, and for how many days from the day of seeding. */
  readonly waiting: (Omit<Waiting, 'until'> & { readonly untilIn?: number }) | null;
  readonly label?: Readonly<Record<string, number>>;
  /** Days from the day of seeding until its owner wants it back. */
  readonly dueIn?: number;
  readonly pinned?: boolean;
}

/** A job that was closed in the last two years. */
export interface DemoClosed {
  readonly title: string;
  readonly place: string;
  readonly sheet: string;
  readonly fault: string;
  readonly words: string;
  readonly daysAgo: number;
  readonly outcome: Outcome;
}

/** A drawer’s worth of a part. */
export interface DemoStock {
  readonly typed: string;
  readonly from: string;
}

/** What a set needs, and how far that has come. */
export interface DemoNeed {
  readonly set: string;
  readonly typed: string;
  readonly state: NeedState;
  readonly supplier?: string;
  /** Days from the day of seeding. */
  readonly due?: number;
  readonly price?: number;
}

/** A donor with a line for each thing that sits in it, as it is typed. */
export interface DemoDonor {
  readonly title: string;
  readonly place: string;
  readonly note: string;
  readonly parts: readonly string[];
}

interface Scenario {
  readonly sets: readonly DemoSet[];
  readonly closed: readonly DemoClosed[];
  readonly shelf: readonly DemoStock[];
  readonly needs: readonly DemoNeed[];
  readonly suppliers: readonly (PlayedSupplier & { readonly title: string })[];
  readonly donors: readonly DemoDonor[];
  /** How a set of a sheet comes apart, a line a step as it is typed. */
  readonly apart: Readonly<Record<string, readonly string[]>>;
}

/** The scenario as written down in `scenario.yaml`. */
export function readScenario(): Scenario {
  return parse(readFileSync(path.join(process.cwd(), 'src', 'demo', 'scenario.yaml'), 'utf8')) as Scenario;
}
