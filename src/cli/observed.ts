import { type Check, compileSheet, Predictions } from '@/core/behaviour';
import { type Case, contextFor, transition } from '@/core/diagnosis';
import { interpret } from '@/core/entry';
import { type LogBody, type LogEntry, replay } from '@/core/log';
import { type Manner, mannerNamed } from '@/core/picture';
import { placed, Refusal } from '@/core/quantity';
import { adoptedText, editsOf, editsUnderChoices, openSheet, type SheetChange, withEdits } from '@/core/sheet';
import { type SheetSource } from './files';

/** A job as a list of observations tells it, a line as at the bench each; it leaves out the switching on and off. */
class ObservedJob {
  private readonly log: LogEntry[] = [];
  private text: string;
  private predictions: Predictions;
  private manner: Manner | undefined;

  constructor(private readonly source: SheetSource) {
    const { id, title } = source.sheet;
    this.text = adoptedText(`${id}-observed`, id, title);
    this.predictions = new Predictions(compileSheet(openSheet(source.sheet)));
    this.record({ kind: 'power', power: 'live' });
  }

  /** Where it stands. */
  get case(): Case {
    const { predictions, log } = this;
    const bench = replay(log, [...predictions.model.sheet.stores.keys()]);
    const complaint = { symptoms: [], signs: {}, manner: this.manner };
    return { predictions, complaint, bench, closed: new Map(), hourlyRate: 20 };
  }

  /** @throws Refusal where the line is none that the bench takes */
  read(line: string): void {
    const [, shows] = /^shows\s+(.*)$/i.exec(line) ?? [];
    if (shows !== undefined) {
      this.manner = mannerNamed(shows);
      return;
    }
    const read = interpret(line, {
      job: this.case,
      focus: undefined,
      step: undefined,
      pictures: [],
      correcting: undefined,
      anyState: true,
    });
    if (read.kind === 'wrong') throw new Refusal(read.message);
    if (read.kind === 'sheet') {
      this.change(read.change);
      if (read.then !== undefined) this.read(read.then);
    } else if (read.kind === 'line') {
      const state = this.stateFor(read.body);
      if (state) this.go(state);
      [read.body, ...read.more].forEach((body) => this.record(body));
    }
  }

  /** The state in which what a line says is done; undefined where any will do. */
  private stateFor(body: LogBody): Check['state'] | undefined {
    if (body.kind === 'reading') return this.predictions.checks.get(body.check)!.state;
    return body.kind === 'part' || body.kind === 'repair' ? 'cold' : undefined;
  }

  private record(body: LogBody): void {
    this.log.push({ id: `line-${this.log.length}`, at: '1970-01-01T00:00:00Z', body });
  }

  /** Brings the set into the state that a check needs. */
  private go(state: Check['state']): void {
    const { sheet } = this.predictions.model;
    const here = this.case.bench.context;
    for (const step of transition(sheet, here, contextFor(here, state), () => 0)) this.record(step);
  }

  /** Puts what was found of this set into its sheet. */
  private change(change: SheetChange): void {
    const { read, under } = this.source;
    this.text = withEdits(
      this.text,
      editsUnderChoices(editsOf(change, this.predictions.model.sheet), under(this.text)),
    );
    this.predictions = new Predictions(compileSheet(openSheet(read(this.text))));
  }
}

/**
 * The job that a file of observations tells, with `#` before what is no observation.
 *
 * @throws Refusal with the file and the line
 */
export function observedJob(source: SheetSource, file: string, text: string): Case {
  const job = new ObservedJob(source);
  text.split(/\r?\n/).forEach((typed, index) => {
    const line = typed.replace(/#.*/, '').trim();
    if (line !== '') placed(`${file}, line ${index + 1}`, () => job.read(line));
  });
  return job.case;
}
