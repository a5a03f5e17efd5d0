import { type Behaviour, type Context } from '../behaviour';
import { deadRatio } from '../measure';
import { symptomsOf } from '../picture';
import { type Minutes } from '../quantity';
import { type Fault, type Sheet } from '../sheet';

/** What running a set in a context does to it or to whoever stands before it, reckoned in minutes of bench time. */
export interface Harm {
  readonly kind: 'x-rays' | 'burn' | 'short' | 'air' | 'uncovered';
  /** At switching on, and by every minute on. */
  readonly once: Minutes;
  readonly perMinute: Minutes;
  /** Is the set not to be switched on for a reading while something cold can still tell? */
  readonly forbids: boolean;
  /** What happens, by how much, and what to do instead. */
  readonly reason: string;
}

/** Above its tolerance by this share the high voltage is at its worst; a trip does not make it less. */
const worstOver = 0.2;
const percent = (share: number) => `${Math.round(100 * share)} %`;

/** Is high voltage made beyond its limit, be it for the second before a protection acts? */
function highVoltage({ model, nets }: Behaviour): Harm | undefined {
  const roles = model.sheet.picture.get('eht') ?? [];
  const [most] = roles
    .map((net) => {
      const { tolerance } = model.sheet.nets.get(net)!;
      const share = 'relative' in tolerance ? tolerance.relative : 0.06;
      const { peak } = nets[model.netIndex.get(net)!]!;
      return { above: peak - 1, over: peak - 1 - share };
    })
    .sort((a, b) => b.over - a.over);
  if (!most || most.over <= 0.005) return undefined;
  return {
    kind: 'x-rays',
    once: 10 + 40 * Math.min(1, most.over / worstOver),
    perMinute: 10,
    forbids: true,
    reason: `high voltage may be ${percent(most.above)} high (X-rays): do not switch on again; retrace capacitors in farads and feedback path in ohms, cold`,
  };
}

/** A spot or a line that stands still takes the whole beam. */
const burning = {
  dot: { perMinute: 6, said: 'a dot' },
  vertical_line: { perMinute: 2.5, said: 'a bright line' },
  horizontal_line: { perMinute: 1.2, said: 'a bright line' },
} as const;

function burnIn({ picture }: Behaviour): Harm | undefined {
  const symptoms = symptomsOf(picture);
  for (const [symptom, { perMinute, said }] of Object.entries(burning))
    if (symptoms.has(symptom as keyof typeof burning))
      return {
        kind: 'burn',
        once: 0.5,
        perMinute,
        forbids: symptom === 'dot',
        reason: `${said} burns the phosphor within seconds: brightness right down before it is switched on, and off again at once`,
      };
  return undefined;
}

/** Ohms from which a fuse that a fault took with it reads as open. */
const blown = 1e6;

/** The fuses that a fault has blown, by the part. */
function blownBy({ points }: Sheet, { reads, part: own }: Fault): readonly string[] {
  return [...reads].flatMap(([check, value]) => {
    const parts = points.get(check)?.parts ?? [];
    return value >= blown && parts.length === 1 && parts[0] !== own ? parts : [];
  });
}

/** A short that took a fuse with it, and the fuse is whole again: the next one goes, with what it guards. */
function shorted({ model: { sheet }, faults, context }: Behaviour, renewed: ReadonlySet<string>): Harm | undefined {
  if (context.lamp || (renewed.size === 0 && context.bridged.length === 0)) return undefined;
  for (const fault of faults)
    for (const fuse of blownBy(sheet, fault))
      if (renewed.has(fuse) || context.bridged.includes(fuse))
        return {
          kind: 'short',
          once: 8,
          perMinute: 0,
          forbids: false,
          reason: `${fault.title} would take ${sheet.parts.get(fuse)!.title} again, and more with it: lamp in series first, or measure it cold`,
        };
  return undefined;
}

/** Light from a lamp that no air passes. */
function withoutAir({ model, nets }: Behaviour): Harm | undefined {
  const worst = (role: string, pick: 'ratio' | 'peak') => {
    const roles = model.sheet.picture.get(role) ?? [];
    return roles.length === 0 ? undefined : Math.min(...roles.map((net) => nets[model.netIndex.get(net)!]![pick]));
  };
  const [lamp, air] = [worst('lamp', 'peak'), worst('air', 'ratio')];
  if (lamp === undefined || air === undefined || lamp < deadRatio || air >= 0.8) return undefined;
  return {
    kind: 'air',
    once: 2,
    perMinute: 4,
    forbids: false,
    reason: 'the lamp may be without air: it bursts from heat; see the fans turn before it is left lit',
  };
}

/** An interlock bridged while a lamp can light. */
function uncovered({ model, context }: Behaviour): Harm | undefined {
  if (!model.sheet.picture.has('lamp')) return undefined;
  const { sheet } = model;
  const controls = (block: string) =>
    sheet.blocks.get(block)!.makes.some((net) => sheet.nets.get(net)!.signal === 'control');
  const interlock = context.bridged.find((id) => {
    const part = sheet.parts.get(id);
    return part?.kind === 'switch' && controls(part.block);
  });
  return interlock === undefined
    ? undefined
    : {
        kind: 'uncovered',
        once: 2,
        perMinute: 1,
        forbids: false,
        reason: `${model.sheet.parts.get(interlock)!.title} is bridged: never lit uncovered, eyes and skin away from the light`,
      };
}

const known = new WeakMap<Behaviour, readonly Harm[]>();
const none: ReadonlySet<string> = new Set();

/**
 * All that running a set does in the context it was worked out for; nothing where it is not live.
 *
 * @param renewed fuses that were replaced since they blew
 */
export function harmsOf(behaviour: Behaviour, renewed: ReadonlySet<string> = none): readonly Harm[] {
  if (behaviour.context.power !== 'live') return [];
  let harms = known.get(behaviour);
  if (!harms) {
    harms = [highVoltage, burnIn, withoutAir, uncovered].flatMap((harm) => harm(behaviour) ?? []);
    known.set(behaviour, harms);
  }
  const short = shorted(behaviour, renewed);
  return short ? [...harms, short] : harms;
}

/** What a harm comes to over some minutes on. */
export const harmMinutes = (harms: readonly Harm[], on: Minutes): Minutes =>
  harms.reduce((sum, { once, perMinute }) => sum + once + perMinute * on, 0);

/** Minutes that a set runs before something can be read: it settles, or it is waited for its heat. */
export function minutesOn(here: Context, there: Context, reading: Minutes): Minutes {
  return there.power === 'live' ? reading + (there.warm && !here.warm ? 10 : 0) : 0;
}
