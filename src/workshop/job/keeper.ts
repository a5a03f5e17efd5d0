import { Recent } from '@/core/recent';
import { type JobFile } from './jobFile';

/** So many sets are open at the same time, in a large shop. */
const most = 100;

/** Keeps what was worked out of each job until one of the things it came from changes. */
export class Keeper<Worked> {
  private readonly known = new Recent<string, { readonly causes: readonly unknown[]; readonly worked: Worked }>(most);

  /** @param causes compared one by one: the same object, or the same text */
  async get(job: string, causes: readonly unknown[], work: () => Worked | Promise<Worked>): Promise<Worked> {
    const before = this.known.get(job);
    const stands =
      before?.causes.length === causes.length && before.causes.every((cause, index) => Object.is(cause, causes[index]));
    const worked = stands ? before.worked : await work();
    if (!stands) this.known.set(job, { causes, worked });
    return worked;
  }
}

/** What is judged of a job comes from these alone. */
export type Judged = Pick<JobFile, 'id' | 'sheet' | 'entries' | 'complaint' | 'closed' | 'hourlyRate'>;

/** All that is judged of a job comes from its sheet and these: a log only grows. */
export const judgedFrom = ({ entries, complaint, closed, hourlyRate }: Judged): readonly unknown[] => [
  entries.length,
  entries.at(-1)?.id,
  JSON.stringify(complaint),
  JSON.stringify([...closed]),
  hourlyRate,
];
