import { Button } from 'antd';
import { useState } from 'react';
import { attempt, parseQuantity, placed, Refusal } from '@/core/quantity';
import { type FrontEnd, frontEnds, lampFor, type LampedRail, type PowerPlan, powerSteps } from '@/core/safety';
import { PowerSteps } from './PowerSteps';
import styles from './power.module.css';

/** What is typed: its label, and the most it may be. */
const fields = {
  mains: ['Mains, V', 500],
  loadWatts: ['Set draws, W', 2000],
  railVolts: ['Rail, V', 2000],
  railWatts: ['It feeds, W', 2000],
  lampWatts: ['Lamp, W', 2000],
  lampVolts: ['Lamp for, V', 500],
} as const;
type FieldName = keyof typeof fields;
type Typed = Readonly<Record<FieldName, string>>;
const fieldsInMains: readonly FieldName[] = ['mains', 'loadWatts', 'lampWatts', 'lampVolts'];
const fieldsInRail: readonly FieldName[] = ['railVolts', 'railWatts', 'lampWatts', 'lampVolts'];

interface AgreeOnStepsProps {
  readonly usual: PowerPlan;
  /** The rail whose fuse or link may give its place to the lamp. */
  readonly rail: LampedRail | undefined;
  onAgree(plan: PowerPlan): void;
}

/** Sets up the plan and shows what it expects, before anything is switched on. */
export function AgreeOnSteps({ usual, rail, onAgree }: AgreeOnStepsProps) {
  const [typed, setTyped] = useState<Typed>({
    mains: String(usual.mains),
    loadWatts: String(usual.loadWatts),
    railVolts: String((usual.rail ?? rail)?.volts ?? ''),
    railWatts: String((usual.rail ?? rail)?.watts ?? ''),
    lampWatts: String(usual.lamp.watts),
    lampVolts: String(usual.lamp.volts),
  });
  const [frontEnd, setFrontEnd] = useState(usual.frontEnd);
  const [variable, setVariable] = useState(usual.variable);
  const [inRail, setInRail] = useState(usual.rail !== undefined);
  /** The rail in which the lamp stands; undefined where it stands in the mains. */
  const lamped = inRail ? rail : undefined;
  const planned = attempt((): PowerPlan => ({
    ...usual,
    lamp: { watts: readField('lampWatts', typed), volts: readField('lampVolts', typed) },
    ...(lamped
      ? { rail: readRail(lamped.title, typed) }
      : {
          mains: readField('mains', typed),
          loadWatts: readField('loadWatts', typed),
          frontEnd,
          variable,
          rail: undefined,
        }),
  }));
  return (
    <>
      <p className="soft">
        Agree on what {lamped?.title ?? 'the reservoir'} should read before power is applied; afterwards each step is
        compared.
      </p>
      <div className={styles.fields}>
        {(lamped ? fieldsInRail : fieldsInMains).map((key) => (
          <label key={key}>
            <span className="label">{fields[key][0]}</span>
            <input
              className="field figure"
              inputMode="decimal"
              value={typed[key]}
              maxLength={8}
              onChange={(event) => setTyped({ ...typed, [key]: event.target.value })}
            />
          </label>
        ))}
        {rail && (
          <Choice
            label="The lamp stands"
            value={String(inRail)}
            options={{ false: 'in the mains', true: `in place of ${rail.title}’s fuse` }}
            onChoose={(value) => setInRail(value === 'true')}
          />
        )}
        {!lamped && (
          <>
            <Choice
              label="Front end"
              value={frontEnd}
              options={frontEnds}
              onChoose={(value) => setFrontEnd(value as FrontEnd)}
            />
            <Choice
              label="Mains is raised"
              value={String(variable)}
              options={{ true: 'by a variable transformer', false: 'not at all: none at hand' }}
              onChoose={(value) => setVariable(value === 'true')}
            />
          </>
        )}
      </div>
      {planned instanceof Refusal ? (
        <p role="alert" className="bad">
          {planned.message}
        </p>
      ) : (
        <>
          <PowerSteps steps={powerSteps(planned).map((step) => ({ step, volts: undefined, verdict: undefined }))} />
          <WillNotStart plan={planned} />
          <Button type="primary" size="large" onClick={() => onAgree(planned)}>
            Agreed
          </Button>
        </>
      )}
    </>
  );
}

interface ChoiceProps {
  readonly label: string;
  readonly value: string;
  readonly options: Readonly<Record<string, string>>;
  onChoose(value: string): void;
}

function Choice({ label, value, options, onChoose }: ChoiceProps) {
  return (
    <label className={styles.wide}>
      <span className="label">{label}</span>
      <select className="field" value={value} onChange={(event) => onChoose(event.target.value)}>
        {Object.entries(options).map(([key, title]) => (
          <option key={key} value={key}>
            {title}
          </option>
        ))}
      </select>
    </label>
  );
}

/** Says so where the set does not start behind the lamp, and which lamp would let it. */
function WillNotStart({ plan }: { plan: PowerPlan }) {
  if (powerSteps(plan).some(({ lamp, starts }) => lamp && starts)) return null;
  const better = lampFor(plan.mains, plan.loadWatts);
  return (
    <p className="caution">
      Behind {plan.lamp.watts} W a set of {plan.loadWatts} W will not start: the lamp then shows shorts only.{' '}
      {plan.frontEnd === 'boost'
        ? 'A boosting front end starts behind no small lamp.'
        : better === undefined
          ? 'No lamp lets it run: take loads off.'
          : `${better} W would let it run.`}
    </p>
  );
}

/** @throws Refusal naming the field that is wrong */
function readField(key: FieldName, typed: Typed): number {
  const [label, most] = fields[key];
  const { value } = placed(label, () => parseQuantity(typed[key]));
  if (!(value > 0) || value > most) throw new Refusal(`${label}: more than 0, and at most ${most}`);
  return value;
}

/** @throws Refusal naming the field that is wrong */
const readRail = (title: string, typed: Typed): LampedRail => ({
  title,
  volts: readField('railVolts', typed),
  watts: readField('railWatts', typed),
});
