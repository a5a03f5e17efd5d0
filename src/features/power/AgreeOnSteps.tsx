import { Button } from 'antd';
import { useMemo, useState } from 'react';
import { attempt, parseQuantity, placed, Refusal } from '@/core/quantity';
import { type FrontEnd, frontEnds, lampFor, type PowerPlan, powerSteps } from '@/core/safety';
import { PowerSteps } from './PowerSteps';
import styles from './power.module.css';

const fields = [
  ['mains', 'Mains, V', 500],
  ['loadWatts', 'Set draws, W', 2000],
  ['lampWatts', 'Lamp, W', 2000],
  ['lampVolts', 'Lamp for, V', 500],
] as const;

/** Sets up the plan and shows what it expects, before anything is switched on. */
export function AgreeOnSteps({ usual, onAgree }: { usual: PowerPlan; onAgree(plan: PowerPlan): void }) {
  const [typed, setTyped] = useState<Readonly<Record<string, string>>>({
    mains: String(usual.mains),
    loadWatts: String(usual.loadWatts),
    lampWatts: String(usual.lamp.watts),
    lampVolts: String(usual.lamp.volts),
  });
  const [frontEnd, setFrontEnd] = useState(usual.frontEnd);
  const [variable, setVariable] = useState(usual.variable);
  const { reservoir } = usual;
  const planned = useMemo(
    () =>
      attempt((): PowerPlan => ({
        ...readPlan(typed),
        frontEnd,
        variable,
        ...(reservoir === undefined ? {} : { reservoir }),
      })),
    [typed, frontEnd, variable, reservoir],
  );
  const better = planned instanceof Refusal ? undefined : lampFor(planned.mains, planned.loadWatts);
  return (
    <>
      <p className="soft">
        Agree on what the reservoir should read before power is applied; afterwards each step is compared.
      </p>
      <div className={styles.fields}>
        {fields.map(([key, label]) => (
          <label key={key}>
            <span className="label">{label}</span>
            <input
              className="field figure"
              inputMode="decimal"
              value={typed[key]}
              maxLength={8}
              onChange={(event) => setTyped({ ...typed, [key]: event.target.value })}
            />
          </label>
        ))}
        <label className={styles.wide}>
          <span className="label">Front end</span>
          <select className="field" value={frontEnd} onChange={(event) => setFrontEnd(event.target.value as FrontEnd)}>
            {Object.entries(frontEnds).map(([kind, title]) => (
              <option key={kind} value={kind}>
                {title}
              </option>
            ))}
          </select>
        </label>
        <label className={styles.wide}>
          <span className="label">Mains is raised</span>
          <select
            className="field"
            value={String(variable)}
            onChange={(event) => setVariable(event.target.value === 'true')}
          >
            <option value="true">by a variable transformer</option>
            <option value="false">not at all: none at hand</option>
          </select>
        </label>
      </div>
      {planned instanceof Refusal ? (
        <p role="alert" className="bad">
          {planned.message}
        </p>
      ) : (
        <>
          <PowerSteps steps={powerSteps(planned).map((step) => ({ step, volts: undefined, verdict: undefined }))} />
          {!powerSteps(planned).some(({ lamp, starts }) => lamp && starts) && (
            <p className="caution">
              Behind {planned.lamp.watts} W a set of {planned.loadWatts} W will not start: the lamp then shows shorts
              only.{' '}
              {planned.frontEnd === 'boost'
                ? 'A boosting front end starts behind no small lamp.'
                : better === undefined
                  ? 'No lamp lets it run: take loads off.'
                  : `${better} W would let it run.`}
            </p>
          )}
          <Button type="primary" size="large" onClick={() => onAgree(planned)}>
            Agreed
          </Button>
        </>
      )}
    </>
  );
}

/** @throws Refusal naming the field that is wrong */
function readPlan(typed: Readonly<Record<string, string>>): Pick<PowerPlan, 'mains' | 'loadWatts' | 'lamp'> {
  const [mains, loadWatts, watts, volts] = fields.map(([key, label, most]) => {
    const { value } = placed(label, () => parseQuantity(typed[key] ?? ''));
    if (!(value > 0) || value > most) throw new Refusal(`${label}: more than 0, and at most ${most}`);
    return value;
  });
  return { mains: mains!, loadWatts: loadWatts!, lamp: { watts: watts!, volts: volts! } };
}
