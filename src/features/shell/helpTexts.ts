/** Something that can be typed or pressed, and what it does. */
export type HelpRow = readonly [typed: string, means: string];

export interface HelpSection {
  readonly title: string;
  /** Shown first on paths that end like this. */
  readonly on: RegExp;
  readonly kind: 'lines' | 'keys';
  readonly rows: readonly HelpRow[];
}

/** All that can be typed and pressed, by page. */
export const helpSections: readonly HelpSection[] = [
  {
    title: 'Lines on the bench',
    on: /\/(bench|repair)$/,
    kind: 'lines',
    rows: [
      ['-121.4', 'the value of what is asked for'],
      ['vscan -121.4', 'a reading by the name of its point'],
      ['R565 41k2', 'a part by its reference'],
      ['C547 esr 2.9', 'with esr, ohms or diode where it has several points'],
      ['F801 OL', 'open, beyond the range'],
      ['vs 190 brief', 'a rail that rose and was taken away'],
      ['buzz weak', 'a sign: yes, weak, brief, no'],
      ['blinks 4', 'the code of the light'],
      ['look scan C547 C551', 'what was seen where, or fine'],
      ['on', 'power is on; unplugged, the plug is out'],
      ['unplug CN802', 'and plug CN802, lamp in, isolation in, warm, cold'],
      ['lift R565', 'and refit; bridge and unbridge a part; donor scan and own scan, a board'],
      ['cut CN801 pin 7', 'one lead of a plug by its pin or by what it carries: cut CN801 on; rejoin'],
      ['strap on', 'a command held by a wire; unstrap'],
      [
        'turned VR841 1/8',
        'a control was turned, clockwise; the set-up of the rails learns from what is read after it',
      ],
      ['C812 3', 'with the plug out: the store measured 3 V'],
      ['new tp4 v12 12.1 pin 3', 'a point the sheet lacks'],
      ['C9 100u 35V 17u', 'a part measured by itself, as in the survey: no sheet need know it'],
      ['part R118 22R scan feeds vscan', 'a part it lacks: it feeds, shunts, senses or drives'],
      ['rail v18 18 from supply to logic at tp18', 'a rail of this chassis'],
      ['rail v12 11.6', 'what a rail that the sheet has is on these sets'],
      ['code 9 vscan', 'what a count of blinks means'],
      ['board scan called VB-7', 'another name of a board'],
      ['learn v12', 'its last reading becomes what a good set shows'],
    ],
  },
  {
    title: 'Keys on the bench',
    on: /\/bench$/,
    kind: 'keys',
    rows: [
      ['⏎', 'record, or do the step that is due'],
      ['Alt 1', 'back to the best probe'],
      ['Alt 2–4', 'another probe'],
      ['Alt X', 'can’t reach it'],
      ['Alt V', 'what the picture shows'],
      ['Alt W', 'warm or cold'],
      ['Alt M', 'the meter'],
      ['Alt G', 'large figures'],
      ['Alt A', 'say each reading and the next probe'],
      ['Alt S', 'say it once'],
      ['Alt Z', 'take the last line back'],
      ['Alt R', 'the repair'],
      ['Alt D', 'inside the leading block'],
      ['Alt T', 'trace a board of it'],
    ],
  },
  {
    title: 'A meter that sends lines',
    on: /\/compare$/,
    kind: 'lines',
    rows: [
      ['{value} {unit}', 'how they are written; {range}, {seconds} and {skip} where they stand'],
      ['seconds,value,unit,range', 'the columns of a recorded log, the last two if known'],
    ],
  },
  {
    title: 'On every page of a job',
    on: /\/job\//,
    kind: 'keys',
    rows: [
      ['Alt P', 'the plug, in or out'],
      ['Alt L', 'the lamp, in series or out'],
      ['Alt I', 'the isolating transformer'],
    ],
  },
  {
    title: 'Keys of an overhaul',
    on: /\/overhaul$/,
    kind: 'keys',
    rows: [
      ['⏎', 'record what is typed, or the step that is due'],
      ['Alt X', 'out of reach: on to the next'],
      ['Alt Z', 'take the last line back'],
      ['Alt A', 'every reading and the next, aloud, until pressed again'],
    ],
  },
  {
    title: 'Lines of the survey',
    on: /\/survey$/,
    kind: 'lines',
    rows: [
      ['R12 4k7 5k1', 'marked, read; lifted or climbing may follow'],
      ['R12 yellow violet red gold 5k1', 'by its bands'],
      ['C8 100u 35V 83u esr 0.4', 'capacity, ESR or both; lowesr or polymer'],
      ['T1 rings 3 good 9', 'rings against those of a good one'],
      ['Q5 junction 0.62 OL', 'a junction both ways'],
      ['Q5 gain 40 usual 120', 'gain'],
      ['LA1 lamp 5200 of 6000 dark', 'hours and look of a lamp'],
      ['FAN2 fan 61 of 90 noisy', 'hertz of a fan or wheel'],
    ],
  },
  {
    title: 'Stores and first power',
    on: /\/power$/,
    kind: 'lines',
    rows: [
      ['C812 4', 'the volts of a store, or the bare volts of the one that is due'],
      ['312', 'the volts of the reservoir at the step that is due'],
    ],
  },
  {
    title: 'The board',
    on: /\/map$/,
    kind: 'keys',
    rows: [
      ['arrows', 'move the place, or click it'],
      ['P T H C', 'press, tap, heat, chill there'],
      ['0–3', 'it answers not, a flicker, comes and goes, every time'],
    ],
  },
  {
    title: 'Lines of a trace',
    on: /\/trace$/,
    kind: 'lines',
    rows: [
      ['R12 4k7', 'a part; Q5 npn, D2 zener 5.6, C3 100n, IC1 8'],
      ['R12.1 Q5.b', 'two pins that beep'],
      ['R12.2 +12', 'a pin on a rail, or on gnd'],
      ['R12.1 not gnd', 'no beep'],
      ['R12.1 Q5.c 4k7', 'ohms between two pins'],
      ['at R12 0.31 0.42 0.35 0.42', 'where its pins lie, in shares of the board’s width; a click does it'],
      ['volts Q5.c 4.2', 'what a pin, or a rail, reads with the set live; volts Q5.c off'],
      ['CN9 plug 4', 'a plug to another board: CN9.3 here, CN9.3f there'],
      ['path R12.1 Q5.c', 'follow what does not arrive, pin by pin: there R12.2, gone Q5.b; path off'],
      ['short +12 0.8', 'follow a rail that reads like a short; short off'],
    ],
  },
  {
    title: 'Keys on a trace',
    on: /\/trace$/,
    kind: 'keys',
    rows: [
      ['⏎', 'it beeps: the two pins asked for, or pointed at'],
      ['N ⏎', 'it does not'],
      ['Alt M', 'the meter answers for the two pins'],
      ['Alt Q', 'turn the part that was placed last'],
      ['Esc', 'place parts later, point at pins now'],
      ['Alt Z', 'take the last line back'],
    ],
  },
  {
    title: 'Comparing',
    on: /\/compare$/,
    kind: 'keys',
    rows: [
      ['Alt O', 'the other side of a sweep'],
      ['Alt M', 'a meter sweeps the pins'],
      ['-', 'a pin that is passed over'],
      ['Alt K', 'on a job: the table stays with it, and what it says of the set’s points goes to the bench'],
      ['Alt Z', 'on a job: the last table is taken back'],
    ],
  },
  {
    title: 'A band on the screen',
    on: /\/band$/,
    kind: 'keys',
    rows: [['Alt K', 'tell the bench the picture and in which half the band lies']],
  },
  {
    title: 'Inside a stage',
    on: /\/stage$/,
    kind: 'keys',
    rows: [
      ['kg 61.3', 'a node and its volts; k ripple 150m its ripple'],
      ['Alt T', 'through time'],
      ['Alt N', 'its netlist'],
      ['Alt W', 'turn a value'],
      ['Alt Z', 'take the last reading back'],
    ],
  },
  {
    title: 'Lines at the shelf',
    on: /\/shelf$/,
    kind: 'lines',
    rows: [
      ['680u 50V', 'what is there: a value, a rating or more, a word, a drawer'],
      ['680u 50V -4', 'takes four of the row that is chosen (arrows); +4 puts four'],
      ['B3 =7', 'seven of the row that is chosen were counted; the next row is chosen'],
      ['put C 680u 50V 105 lowesr 12.5x25/5 x4 in B3', 'puts four into drawer B3'],
      [
        'put Q npn 1500V 8A 50W damper rbe 47 x2 in Q1',
        'a transistor; R, D, U, F, RT, RV, O, X, T, L, V, LA, FAN, B are other kinds',
      ],
      ['for C 8n2 1600V film pulse at 1100 V retrace', 'what would do in that place, each with its reason'],
    ],
  },
  {
    title: 'Parts that are needed',
    on: /\/parts$/,
    kind: 'lines',
    rows: [
      ['C 680u 50V 105 lowesr x4', 'four are needed for the set that is chosen'],
      ['R 0.47 1W fusible', 'one is needed'],
    ],
  },
  {
    title: 'What sits in a donor',
    on: /\/donors$/,
    kind: 'lines',
    rows: [
      [
        'C 680u 50V lowesr x4 on PSU tested 3 min',
        'four on that board, known to be good, three minutes each to take out',
      ],
      ['B no HP-YBUF rev C doubtful', 'a board by itself; tested, likely, unknown or doubtful'],
    ],
  },
  {
    title: 'Anywhere',
    on: /$/,
    kind: 'keys',
    rows: [
      ['Ctrl K', 'find a set, a note, a command'],
      ['=', 'the reckoner'],
      ['F1', 'this'],
    ],
  },
];

/** The sections in the order in which a page wants them. */
export const helpFor = (path: string): readonly HelpSection[] => [
  ...helpSections.filter(({ on }) => on.test(path)),
  ...helpSections.filter(({ on }) => !on.test(path)),
];
