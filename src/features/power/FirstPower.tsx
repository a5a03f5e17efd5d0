import { Refusal, formatQuantity, parseQuantity, attempt, placed, quantityIn } from '@/core/quantity';
import { Button } from 'antd';
import { useMemo, useState } from 'react';
import {
  behindLampCaution,
  type FrontEnd,
  frontEnds,
  lampFor,
  type PowerPlan,
  type PowerStep,
  powerSteps,
} from '@/core/safety';
import { type JobFile, type JobLog } from '@/workshop/job';
import { LineEntry, timeText, VerdictMark } from '@/ui';
import { agreedPlan, type AgreedPlan, usualPlan } from './powerModel';
import styles from './power.module.css';

interface FirstPowerProps {
  readonly file: JobFile;
  readonly log: JobLog;
  readonly live: boolean;
  /** The mains as measured, in volts, where somebody has. */
  readonly mains: number | undefined;
}

/** First power in stages: agreed on before, compared after. */
export function FirstPower({ file, log, live, mains: measured }: FirstPowerProps) {
  const agreed = useMemo(() => agreedPlan(log.entries), [log.entries]);
  const [anew, setAnew] = useState(false);
  const degauss = behindLampCaution(file.sheet);
  const agree = ({ lamp, ...plan }: PowerPlan) => {
    log.record([{ body: { kind: 'plan', lampWatts: lamp.watts, lampVolts: lamp.volts, ...plan } }]);
    setAnew(false);
  };
  return (
    <section aria-label="First power">
      <h1>First power in stages</h1>
      {degauss !== undefined && <p className="caution">{degauss}</p>}
      {agreed && !anew ? (
        <Agreed
          agreed={agreed}
          live={live}
          onStep={(step, volts) => log.record([{ body: { kind: 'step', step: step.id, volts } }])}
          onAnew={() => setAnew(true)}
        />
      ) : (
        <Agree usual={agreed?.plan ?? usualPlan(file.sheet, measured, file.habits)} onAgree={agree} />
      )}
    </section>
  );
}

const fields = [
  ['mains', 'Mains, V', 500],
  ['loadWatts', 'Set draws, W', 2000],
  ['lampWatts', 'Lamp, W', 2000],
  ['lampVolts', 'Lamp for, V', 500],
] as const;

/** Sets up the plan and shows what it expects, before anything is switched on. */
function Agree({ usual, onAgree }: { usual: PowerPlan; onAgree(plan: PowerPlan): void }) {
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
          <Steps steps={powerSteps(planned).map((step) => ({ step, volts: undefined, verdict: undefined }))} />
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

interface AgreedProps {
  readonly agreed: AgreedPlan;
  readonly live: boolean;
  onStep(step: PowerStep, volts: number): void;
  onAnew(): void;
}

function Agreed({ agreed, live, onStep, onAnew }: AgreedProps) {
  const { plan, at, steps, next } = agreed;
  const [line, setLine] = useState('');
  const [message, setMessage] = useState<string>();
  const stop = steps.find(({ verdict }) => verdict?.go === false)?.verdict;
  const record = () => {
    if (!next) return;
    const right = 'the reservoir is read in volts, like 312';
    const value = attempt(() => quantityIn('V', line, right));
    if (value instanceof Refusal) return setMessage(value.message);
    if (Math.abs(value) > 1000) return setMessage(right);
    onStep(next, value);
    setLine('');
    setMessage(undefined);
  };
  return (
    <>
      <p className={styles.agreed} suppressHydrationWarning>
        Agreed at {timeText(at)}: {plan.lamp.watts} W lamp, {plan.mains} V, the set drawing {plan.loadWatts} W.
        <Button size="small" onClick={onAnew}>
          Agree anew
        </Button>
      </p>
      {next && (
        <div className={styles.next}>
          <span className="label">Now</span>
          <b>{next.title}</b>
          <span>
            Reservoir <b className="figure">{formatQuantity(next.expected.healthy, 'V', 3)}</b>
            {next.lamp && (
              <>
                , lamp {lightWords(next.light.healthy)}; shorted: 0 V, lamp {lightWords(next.light.shorted)}
              </>
            )}
          </span>
          <LineEntry
            label={`Reservoir volts, ${next.title}`}
            value={line}
            placeholder="volts"
            maxLength={20}
            autoFocus
            message={message}
            onType={(text) => {
              setLine(text);
              setMessage(undefined);
            }}
            onEnter={record}
          />
          {!live && <small>By its record the set is unplugged: Alt P when it is on.</small>}
        </div>
      )}
      {stop && (
        <p className={styles.stop} role="alert">
          <b>STOP</b> {stop.words}
        </p>
      )}
      {!next && !stop && <p className={styles.through}>All steps went as agreed.</p>}
      <Steps steps={steps} />
    </>
  );
}

const lightWords = (share: number) =>
  share < 0.01 ? 'dark' : share < 0.15 ? 'a glimmer' : share < 0.7 ? 'half bright' : 'full';

function Steps({ steps }: { steps: AgreedPlan['steps'] }) {
  return (
    <table className={styles.steps} data-testid="power-steps">
      <thead>
        <tr>
          <th />
          <th>Healthy</th>
          <th>Idle</th>
          <th>Shorted</th>
          <th>Read</th>
        </tr>
      </thead>
      <tbody>
        {steps.map(({ step, volts, verdict }) => (
          <tr key={step.id} data-go={verdict?.go}>
            <th scope="row">{step.title}</th>
            <td className="figure">{formatQuantity(step.expected.healthy, 'V', 3)}</td>
            <td className="figure soft">{formatQuantity(step.expected.idle, 'V', 3)}</td>
            <td className="figure soft">{step.lamp ? '0 V' : 'fuse'}</td>
            <td className="figure">
              {verdict && <VerdictMark mark={verdict.go ? 'within' : verdict.like === 'shorted' ? 'dead' : 'odd'} />}{' '}
              {volts === undefined ? '' : formatQuantity(volts, 'V', 3)}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
