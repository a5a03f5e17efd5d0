import { type Outcome, type Waiting } from '@/store';

/** How far a set of the scenario has come. */
export type Stage = 'taken in' | 'measuring' | 'repaired' | 'verified';

/** A set of the Saltmere Cliff Railway that is in the winding house now. */
export interface DemoSet {
  readonly title: string;
  readonly place: string;
  readonly owner: string;
  readonly sheet: string;
  /** The hidden fault; readings are made from it. */
  readonly fault: string;
  readonly words: string;
  readonly value: number;
  readonly limit: number;
  readonly stage: Stage;
  readonly daysAgo: number;
  readonly waiting: Waiting | null;
  readonly label?: Readonly<Record<string, number>>;
}

/** A job that was closed in the last two years. */
export interface DemoClosed {
  readonly title: string;
  readonly place: string;
  readonly sheet: string;
  readonly fault: string;
  readonly words: string;
  readonly daysAgo: number;
  readonly outcome: Outcome;
}

const plasma = 'halvane-hp-42';
const tube = 'pellisar-tc-14';
const museum = 'the railway';

export const demoSets: readonly DemoSet[] = [
  {
    title: 'Pavilion arrivals board',
    place: 'Pavilion',
    owner: museum,
    sheet: plasma,
    fault: 'C547.dry',
    words: 'Lower lines of the board read, upper ones stay black until the hall has been open a while.',
    value: 140,
    limit: 45,
    stage: 'taken in',
    daysAgo: 2,
    waiting: null,
    label: { vs: 187, va: 63, vset: 192, vscan: -168, ve: 104 },
  },
  {
    title: 'Tea-room set',
    place: 'Tea room',
    owner: 'tea-room tenant',
    sheet: tube,
    fault: 'R201.drifted',
    words: 'Everything went green over a week.',
    value: 60,
    limit: 20,
    stage: 'taken in',
    daysAgo: 1,
    waiting: null,
    label: { bplus: 112 },
  },
  {
    title: 'Ballroom plasma',
    place: 'Ballroom',
    owner: museum,
    sheet: plasma,
    fault: 'Q511.short',
    words: 'A loud pop during the dance, since then it clicks and goes off.',
    value: 160,
    limit: 60,
    stage: 'measuring',
    daysAgo: 9,
    waiting: null,
    label: { vs: 185, va: 62, vset: 195, vscan: -170, ve: 104 },
  },
  {
    title: 'Penny-arcade cabinet 3',
    place: 'Penny arcade',
    owner: museum,
    sheet: tube,
    fault: 'C511.dry',
    words: 'Top of the playfield folds over.',
    value: 90,
    limit: 25,
    stage: 'measuring',
    daysAgo: 6,
    waiting: null,
  },
  {
    title: 'Ticket-office set',
    place: 'Lower station',
    owner: 'weekend volunteer',
    sheet: tube,
    fault: 'IC501.joint',
    words: 'Bright line across, a tap on the side brings it back.',
    value: 50,
    limit: 15,
    stage: 'repaired',
    daysAgo: 5,
    waiting: null,
  },
  {
    title: 'Upper-station arrivals',
    place: 'Upper station',
    owner: museum,
    sheet: plasma,
    fault: 'C861.dry',
    words: 'Light blinks, never starts on cold mornings.',
    value: 140,
    limit: 45,
    stage: 'repaired',
    daysAgo: 12,
    waiting: null,
  },
  {
    title: 'Boat-house set',
    place: 'Boat house',
    owner: 'rowing club',
    sheet: tube,
    fault: 'T401.joint',
    words: 'Dead, but the light is on.',
    value: 45,
    limit: 12,
    stage: 'measuring',
    daysAgo: 15,
    waiting: { for: 'owner', note: 'asked whether a longer bill is wanted', until: '' },
  },
  {
    title: 'Lecture-hall side screen',
    place: 'Lecture hall',
    owner: museum,
    sheet: plasma,
    fault: 'C522.dry',
    words: 'White slides have pink clouds.',
    value: 130,
    limit: 40,
    stage: 'measuring',
    daysAgo: 20,
    waiting: { for: 'part', note: '22u 250V ordered', until: '2026-12-02' },
  },
  {
    title: 'Lower-station arrivals',
    place: 'Lower station',
    owner: museum,
    sheet: plasma,
    fault: 'CN501.joint',
    words: 'Upper half comes and goes when the wind shakes the wall.',
    value: 140,
    limit: 45,
    stage: 'verified',
    daysAgo: 18,
    waiting: { for: 'soak', note: 'failed twice a day before', until: '2026-11-27' },
  },
  {
    title: 'Penny-arcade cabinet 1',
    place: 'Penny arcade',
    owner: museum,
    sheet: tube,
    fault: 'C831.dry',
    words: 'Sides wobble, picture small.',
    value: 90,
    limit: 25,
    stage: 'verified',
    daysAgo: 8,
    waiting: null,
  },
  {
    title: 'Signal-cabin spare',
    place: 'Signal cabin',
    owner: 'signal cabin',
    sheet: tube,
    fault: 'C806.dry',
    words: 'Ticks in the morning, starts at the third try.',
    value: 40,
    limit: 15,
    stage: 'taken in',
    daysAgo: 3,
    waiting: { for: 'bench', note: 'second bench is taken', until: '' },
  },
  {
    title: 'Promenade kiosk display',
    place: 'Promenade',
    owner: museum,
    sheet: plasma,
    fault: 'PANEL.cracked',
    words: 'Knocked by a ladder.',
    value: 30,
    limit: 10,
    stage: 'measuring',
    daysAgo: 25,
    waiting: { for: 'donor', note: 'boards to be kept for the other four', until: '' },
  },
];

const closed = (
  sheet: string,
  fault: string,
  title: string,
  place: string,
  daysAgo: number,
  words: string,
  outcome: Outcome = 'returned',
): DemoClosed => ({ title, place, sheet, fault, words, daysAgo, outcome });

export const demoClosed: readonly DemoClosed[] = [
  closed(plasma, 'C547.dry', 'Pavilion arrivals board', 'Pavilion', 702, 'Upper half dark in the mornings.'),
  closed(plasma, 'C861.dry', 'Upper-station arrivals', 'Upper station', 688, 'Does not start.'),
  closed(tube, 'C806.dry', 'Tea-room set', 'Tea room', 671, 'Ticks and does not start.'),
  closed(tube, 'IC501.joint', 'Penny-arcade cabinet 2', 'Penny arcade', 655, 'A line across, now and then.'),
  closed(plasma, 'Q611.short', 'Ballroom plasma', 'Ballroom', 640, 'Pop, then nothing but clicks.'),
  closed(tube, 'C511.dry', 'Penny-arcade cabinet 1', 'Penny arcade', 611, 'Folds at the top.'),
  closed(tube, 'Q402.short', 'Boat-house set', 'Boat house', 598, 'Dead since a thunderstorm.'),
  closed(plasma, 'C551.dry', 'Lower-station arrivals', 'Lower station', 570, 'Lower half dark until warm.'),
  closed(tube, 'R201.drifted', 'Ticket-office set', 'Lower station', 544, 'Green all over.'),
  closed(tube, 'TH801.cracked', 'Lecture-hall monitor', 'Lecture hall', 520, 'Colour patches in the corners.'),
  closed(plasma, 'F801.open', 'Promenade kiosk display', 'Promenade', 498, 'Dead.'),
  closed(tube, 'C421.dry', 'Penny-arcade cabinet 3', 'Penny arcade', 471, 'Everything smears to the right.'),
  closed(plasma, 'C547.dry', 'Lecture-hall side screen', 'Lecture hall', 450, 'Upper half dark, comes after a while.'),
  closed(tube, 'P301.joint', 'Signal-cabin spare', 'Signal cabin', 431, 'An upright line.'),
  closed(plasma, 'CN402.loose', 'Ballroom plasma', 'Ballroom', 402, 'Starts and stops after the move.'),
  closed(tube, 'C806.dry', 'Penny-arcade cabinet 4', 'Penny arcade', 388, 'Ticks.'),
  closed(plasma, 'IC701.short', 'Upper-station arrivals', 'Upper station', 360, 'Upper half dark, warm or cold.'),
  closed(tube, 'R431.open', 'Boat-house set', 'Boat house', 338, 'Line across.'),
  closed(tube, 'VR402.misset', 'Tea-room set', 'Tea room', 311, 'Soft since somebody turned it.'),
  closed(plasma, 'C841.dry', 'Pavilion arrivals board', 'Pavilion', 290, 'Wavy, and it drops out.'),
  closed(tube, 'T402.short', 'Penny-arcade cabinet 2', 'Penny arcade', 262, 'Ticks, smells.', 'stripped'),
  closed(tube, 'C831.dry', 'Ticket-office set', 'Lower station', 240, 'Small and wavy.'),
  closed(plasma, 'GND6.loose', 'Lower-station arrivals', 'Lower station', 215, 'Sparkles and buzzes.'),
  closed(plasma, 'C861.dry', 'Lecture-hall side screen', 'Lecture hall', 190, 'Blinks twice.'),
  closed(tube, 'SOCKET.dirty', 'Signal-cabin spare', 'Signal cabin', 160, 'Soft, crackles in damp weather.'),
  closed(tube, 'IC501.short', 'Penny-arcade cabinet 4', 'Penny arcade', 131, 'Line across.'),
  closed(plasma, 'C532.dry', 'Upper-station arrivals', 'Upper station', 104, 'Flickers and sparkles when cold.'),
  closed(tube, 'Q201.short', 'Lecture-hall monitor', 'Lecture hall', 83, 'Green with lines.'),
  closed(plasma, 'RT801.cracked', 'Ballroom plasma', 'Ballroom', 61, 'Dead after the winter.'),
  closed(tube, 'R421.open', 'Penny-arcade cabinet 3', 'Penny arcade', 44, 'White with slanting lines.'),
  closed(plasma, 'C547.dry', 'Promenade kiosk display', 'Promenade', 37, 'Upper half dark.', 'kept'),
  closed(tube, 'LEAD.open', 'Tea-room set', 'Tea room', 20, 'Dead after cleaning day.'),
];
