import { Predictions, compileSheet } from '@/core/behaviour';
import { type Case, contextFor, transition } from '@/core/diagnosis';
import { learntFrom, linesOfPart, readEntry, readMeasuredPart, readRefinement } from '@/core/entry';
import { type LogBody, type LogEntry, replay } from '@/core/log';
import { type Manner, mannerNamed } from '@/core/picture';
import { attempt, placed, Refusal } from '@/core/quantity';
import { adoptedText, editsOf, openSheet, type SheetChange, withEdits } from '@/core/sheet';
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
    const job = this.case;
    const { bench } = job;
    const { model, checks } = this.predictions;
    const scope = { sheet: model.sheet, checks, bench };
    const refinement = readRefinement(line, scope);
    if (refinement) return this.change(learntFrom(refinement, job).change);
    const entry = attempt(() => readEntry(line, scope));
    if (entry instanceof Refusal) {
      const part = readMeasuredPart(line, model.sheet, bench.parts);
      if (!part) throw entry;
      this.go('cold');
      return linesOfPart(line, part, checks, false).forEach((body) => this.record(body));
    }
    if (entry.kind === 'change') {
      if (entry.body.kind === 'repair') this.go('cold');
      return this.record(entry.body);
    }
    this.go(entry.check.state);
    for (const answer of [entry.answer, ...entry.more])
      this.record({ kind: 'reading', check: entry.check.id, answer, text: line });
  }

  private record(body: LogBody): void {
    this.log.push({ id: `line-${this.log.length}`, at: '1970-01-01T00:00:00Z', body });
  }

  /** Brings the set into the state that a check needs. */
  private go(state: Parameters<typeof contextFor>[1]): void {
    const { sheet } = this.predictions.model;
    const here = this.case.bench.context;
    for (const step of transition(sheet, here, contextFor(here, state), () => 0)) this.record(step);
  }

  /** Puts what was found of this set into its sheet; a part that was measured before counts from now on. */
  private change(change: SheetChange): void {
    const { bench } = this.case;
    this.text = withEdits(this.text, editsOf(change, this.predictions.model.sheet));
    this.predictions = new Predictions(compileSheet(openSheet(this.source.read(this.text))));
    const before = change.kind === 'part' ? bench.parts.findLast(({ ref }) => ref === change.part) : undefined;
    const part = before && readMeasuredPart(before.line, this.predictions.model.sheet, bench.parts);
    if (part) linesOfPart(before.line, part, this.predictions.checks, false).forEach((body) => this.record(body));
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
