import { type Remote, wrap } from 'comlink';
import { type Briefing, type DeeperLook, type Outlook } from '@/core/diagnosis';
import { type Sheet } from '@/core/sheet';
import { type AdviceRequest, type AdvisorWorker, type ComplaintRequest } from './advisor.worker';

/** What is asked about a job whose log has these lines. */
export const requestOf = (
  { complaint, closed, hourlyRate }: Omit<AdviceRequest, 'entries'>,
  entries: AdviceRequest['entries'],
): AdviceRequest => ({ complaint, closed, hourlyRate, entries });

/** Longest a deeper look may take, in milliseconds: what is asked meanwhile waits for it. */
const budget = 250;

/** Briefs on a job in a worker that holds its sheet; the last question asked is the one that is answered. */
export class Advisor {
  private readonly worker = new Worker(new URL('./advisor.worker.ts', import.meta.url));
  private readonly remote: Remote<AdvisorWorker> = wrap<AdvisorWorker>(this.worker);
  private asked = 0;

  constructor(sheet: Sheet) {
    void this.remote.open(sheet);
  }

  /** @param onOutlook told what the complaint points at, unless another was asked about since */
  outlook(request: ComplaintRequest, onOutlook: (outlook: Outlook) => void): void {
    const mine = (this.asked += 1);
    void this.remote.outlook(request).then((outlook) => mine === this.asked && onOutlook(outlook));
  }

  /** @param onBriefing told the briefing, unless another was asked for since */
  brief(request: AdviceRequest, onBriefing: (briefing: Briefing) => void): void {
    const mine = (this.asked += 1);
    void this.remote.brief(request).then((briefing) => mine === this.asked && onBriefing(briefing));
  }

  /** @param onLook told what a look further ahead came to, unless a briefing was asked for since */
  lookAhead(request: AdviceRequest, onLook: (look: DeeperLook | undefined) => void): void {
    const { asked } = this;
    // A look that fails leaves the briefing standing, which is all that was promised.
    const failed = () => undefined;
    void this.remote
      .look(request, budget)
      .catch(failed)
      .then((look) => asked === this.asked && onLook(look));
  }

  /** Works out briefings that nobody reads, so that the first one asked for is quick; what is asked goes before. */
  async rehearse(requests: readonly AdviceRequest[]): Promise<void> {
    for (const request of requests) {
      if (this.asked > 0) return;
      await this.remote.brief(request);
    }
  }

  close(): void {
    this.asked += 1;
    this.worker.terminate();
  }
}
