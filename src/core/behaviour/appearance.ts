import { darkPicture, goodPicture, isMark, type Mark, type Picture } from '../picture';
import { familyOf, type Fault, type Sheet } from '../sheet';
import { deadRatio, type NetState } from '../measure';

/**
 * What the screen shows, from the nets that play a role in it.
 *
 * @param live whether mains is applied
 * @param off how protection switches it off: at once, after it has run a while, or not
 */
export function pictureOf(
  sheet: Sheet,
  faults: readonly Fault[],
  stateOf: (net: string) => NetState,
  live: boolean,
  off: 'at once' | 'later' | 'no',
): Picture {
  const family = familyOf(sheet.technology);
  if (!live) return darkPicture(family);
  const draw = { panel: panelPicture, tube: tubePicture, light: lampPicture }[family];
  const shows = faults.flatMap((fault) => fault.shows).filter(isMark);
  const role =
    (pick: (state: NetState) => number): Role =>
    (name, worst = Math.min) => {
      const nets = sheet.picture.get(name) ?? [];
      return nets.length === 0 ? 1 : worst(...nets.map((net) => pick(stateOf(net))));
    };
  const settled = draw(
    role((state) => state.ratio),
    shows,
  );
  if (settled.light >= deadRatio) return { ...settled, goesOff: off === 'later' };
  const atStart = draw(
    role((state) => state.peak),
    shows,
  );
  const brief = atStart.light >= deadRatio;
  return darkPicture(family, { brief, trips: off === 'at once' && !brief });
}

/** The ratio of the nets that play a role in the picture: of several the lowest, unless `worst` is another. */
type Role = (name: string, worst?: (...ratios: number[]) => number) => number;

/** Plasma: both sustain sides light the glass, halves and columns choose where. */
function panelPicture(role: Role, shows: readonly Mark[]): Picture {
  const found = new Set(shows);
  const scan = role('scan');
  const setup = role('setup');
  const commonDead = role('glow_x') < 0.5;
  if (commonDead) found.add('reddish');
  if (setup < 0.95 || setup > 1.05) found.add('pink');
  if (scan < 0.95 || scan > 1.05) found.add('sparkle');
  const lit = role('glow_y') >= 0.5 && scan >= deadRatio ? 1 : 0;
  const image = role('image');
  return {
    ...goodPicture('panel'),
    light: lit * (commonDead ? 0.35 : scan < 0.8 ? 0.7 : 1),
    upper: role('upper') >= 0.5 ? 1 : 0,
    lower: role('lower') >= 0.5 ? 1 : 0,
    left: role('left') >= deadRatio ? 1 : 0,
    right: role('right') >= deadRatio ? 1 : 0,
    empty: image < 0.5 || role('content') < deadRatio,
    marks: found,
  };
}

/** Lamp and wheel: one light, coloured in turn, shaped by a chip. */
function lampPicture(role: Role, shows: readonly Mark[]): Picture {
  const found = new Set(shows);
  const lamp = role('lamp');
  if (role('wheel') < 0.5) found.add('wrong_colours');
  return {
    ...goodPicture('light'),
    light: lamp < 0.3 ? 0 : lamp < 0.8 ? 0.5 : 1,
    empty: role('image') < 0.5 || role('content') < deadRatio,
    marks: found,
  };
}

/** A cathode far from nominal: low turns the gun up, high turns it off. */
function beamOf(cathode: number): number {
  if (cathode >= 1.3) return 0;
  if (cathode > 1) return 1 - (cathode - 1) / 0.45;
  return 1 + (1 - cathode) * 1.6;
}

/** Tube: guns driven by their cathodes, swept by two deflections, lit by the high voltage. */
function tubePicture(role: Role, shows: readonly Mark[]): Picture {
  const found = new Set(shows);
  const eht = role('eht');
  const screen = role('screen');
  const sync = role('sync');
  if (sync < 0.5) found.add('rolls');
  const convergence = role('convergence');
  if (convergence < 0.9 || convergence > 1.1) found.add('bent_colours');
  const alive = eht >= 0.3 && role('heater') >= 0.5 && screen >= 0.3;
  // Width and height both shrink with the supply and grow as the high voltage falls.
  const size = role('size') / Math.sqrt(Math.max(eht, 0.3));
  const beams = [role('cathode_r'), role('cathode_g'), role('cathode_b')].map(beamOf);
  // What opens all three guns at once floods the screen, whatever the video says.
  const opened = Math.max(1, 1 + 2.5 * (role('screen', Math.max) - 1.1));
  const [red = 1, green = 1, blue = 1] = beams.map((beam) => beam * opened);
  const marked = (name: 'red' | 'green' | 'blue', beam: number) =>
    found.has(`no_${name}`) ? 0 : found.has(`weak_${name}`) ? beam * 0.5 : beam;
  const visible =
    alive && beams.some((beam) => beam >= deadRatio) ? (screen < 0.75 ? 0.5 : found.has('faint') ? 0.7 : 1) : 0;
  return {
    ...goodPicture('tube'),
    light: visible,
    height: Math.min(role('vertical') * size, 1.15),
    width: Math.min(role('horizontal') * size, 1.15) * (found.has('narrow') ? 0.85 : 1),
    red: marked('red', red),
    green: marked('green', green),
    blue: marked('blue', blue),
    sharpness: role('focus'),
    retrace: role('blanking') < deadRatio || [red, green, blue].some((beam) => beam > 2.2),
    empty: role('content') < deadRatio,
    marks: found,
  };
}
