import { type Answer } from '@/core/measure';
import { compileSheet, type Context, liveCold, Predictions, withConnector } from '@/core/behaviour';
import { type Random, seeded } from '@/core/statistics';
import { answerFrom } from '@/core/practice';
import { shippedSheets } from '@/sheets';

/** A set with a hidden fault that answers what the screen asks, as one would type it. */
export class SimulatedSet {
  readonly predictions: Predictions;
  private readonly random: Random = seeded(42);
  private context: Context = liveCold;
  private faults: readonly string[];

  constructor(sheet: string, ...faults: readonly string[]) {
    this.faults = faults;
    this.predictions = new Predictions(compileSheet(shippedSheets().get(sheet)!));
  }

  /** Takes one fault out, or all of them. */
  repair(fault?: string): void {
    this.faults = fault === undefined ? [] : this.faults.filter((id) => id !== fault);
  }

  pull(connector: string, pulled: boolean): void {
    this.context = withConnector(this.context, connector, pulled);
  }

  answer(check: string): Answer {
    const { sheet } = this.predictions.model;
    return answerFrom(
      this.predictions.expectationOf(
        this.faults.map((id) => sheet.faults.get(id)!),
        this.predictions.checks.get(check)!,
        this.context,
      ),
      0.01,
      this.random,
    );
  }

  /** What is typed for a check that is asked for. */
  typed(check: string): string {
    const answer = this.answer(check);
    switch (answer.kind) {
      case 'number':
        return `${answer.value === Infinity ? 'OL' : Number(answer.value.toPrecision(4))}${answer.shape === 'brief' ? ' brief' : ''}`;
      case 'choice':
        return answer.choice;
      case 'picture':
        return answer.symptoms.join(' ');
    }
  }
}
