import { proxy, type Remote, wrap } from 'comlink';
import { type Briefing, type DeeperLook, type Outlook } from '@/core/diagnosis';
import { type Sheet } from '@/core/sheet';
import { type AdviceRequest, type AdvisorWorker, type ComplaintRequest } from './advisor.worker';
import { Latest } from './latest';

/** What is asked about a job whose log has these lines. */
export const requestOf = (
  { complaint, closed, hourlyRate }: Omit<AdviceRequest, 'entries'>,
  entries: AdviceRequest['entries'],
): AdviceRequest => ({ complaint, closed, hourlyRate, entries });

const start = () => new Worker(new URL('./advisor.worker.ts', import.meta.url));

/** Longest a deeper look may take, in milliseconds. */
const budget = 2500;

/** Briefs on a job in a worker that holds its sheet; the last question asked is the one that is answered. */
export class Advisor {
  private readonly worker = start();
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

  /** Works out briefings that nobody reads, so that the first one asked for is quick; what is asked goes before. */
  async rehearse(requests: readonly AdviceRequest[]): Promise<void> {
    const mine = (this.asked += 1);
    for (const request of requests) {
      if (mine !== this.asked) return;
      await this.remote.brief(request);
    }
  }

  close(): void {
    this.asked += 1;
    this.worker.terminate();
  }
}

/** Looks further ahead in a worker of its own; a new request cancels the one that is under way. */
export class Planner {
  private readonly latest: Latest<AdvisorWorker>;

  constructor(sheet: Sheet) {
    this.latest = new Latest<AdvisorWorker>(start, (remote) => void remote.open(sheet));
  }

  /** Starts a look. A worker that fails leaves the briefing standing, which is all that was promised. */
  look(request: AdviceRequest, onLook: (look: DeeperLook) => void, onDone: () => void): void {
    this.latest.ask(
      (remote, wanted) =>
        remote.look(
          request,
          budget,
          proxy((look: DeeperLook) => wanted() && onLook(look)),
        ),
      onDone,
    );
  }

  stop(): void {
    this.latest.stop();
  }

  close(): void {
    this.latest.close();
  }
}
