import { type Remote, wrap } from 'comlink';

/** A worker that is asked one question at a time: a new one cancels what is under way, the worker with it. */
export class Latest<Service> {
  private worker: Worker | undefined;
  private remote: Remote<Service> | undefined;
  private busy = false;

  /**
   * @param make starts a worker
   * @param prepare what a new worker is told before anything is asked
   */
  constructor(
    private readonly make: () => Worker,
    private readonly prepare: (remote: Remote<Service>) => void = () => undefined,
  ) {}

  /**
   * Asks; `onDone` is told the answer, or undefined where the worker failed, unless another was asked since.
   *
   * @param question given the worker and a way to tell whether its answer is still wanted
   */
  ask<Answer>(
    question: (remote: Remote<Service>, wanted: () => boolean) => Promise<Answer>,
    onDone: (answer: Answer | undefined) => void,
  ): void {
    this.stop();
    if (!this.worker) {
      this.worker = this.make();
      this.remote = wrap<Service>(this.worker);
      this.prepare(this.remote);
    }
    const { worker } = this;
    const wanted = () => this.worker === worker;
    this.busy = true;
    void question(this.remote!, wanted)
      .catch(() => undefined)
      .then((answer) => {
        if (!wanted()) return;
        this.busy = false;
        onDone(answer);
      });
  }

  /** Gives up what is under way, so that it takes no time from what matters now. */
  stop(): void {
    if (this.busy) this.close();
  }

  close(): void {
    this.worker?.terminate();
    this.worker = undefined;
    this.remote = undefined;
    this.busy = false;
  }
}
