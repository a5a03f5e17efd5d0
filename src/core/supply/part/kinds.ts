import { type Figure, flag, inSuffix, inUnit, oneWord, pinOrder, printed, range, size } from './figure';

/** A kind of part as a shop buys and keeps it. */
export interface SupplyKindRow {
  readonly title: string;
  /** What is typed first to say that it is one. */
  readonly words: readonly string[];
  readonly figures: Readonly<Record<string, Figure>>;
  readonly example: string;
}

const volts = (title = 'volts', example = '50V') => inUnit({ title, unit: 'V', example });
const amps = (title = 'amperes', example = '3A') => inUnit({ title, unit: 'A', example });
const watts = (example = '0.5W') => inUnit({ title: 'watts', unit: 'W', example });
const tolerance = inSuffix({ title: 'tolerance', example: '5%', suffix: '%', written: '%' });
const millimetres = (title: string, example: string, word?: string) =>
  inSuffix({ title, example, suffix: 'mm', written: 'mm', ...(word === undefined ? {} : { word }) });
const joules = inSuffix({ title: 'energy', example: '80J', suffix: 'J', written: 'J' });
const caseOf = printed('case', 'case', 'case TO220', /^(to|sot|do)-?\d+\w*$|^d2?pak$|^smd$/i);
const number = printed('number', 'no', 'no VB-7', /^[a-z][\w-]*\d[\w.-]*$/i);
const insulated = flag('insulated tab', 'insulated', 'fullpack', 'isolated', 'isolated-tab');

const rows = {
  capacitor: {
    title: 'capacitor',
    words: ['c', 'capacitor', 'can', 'electrolytic'],
    example: 'C 680u 50V 105 lowesr 12.5x25/5',
    figures: {
      farads: inUnit({ title: 'capacitance', unit: 'F', example: '680u', bare: 'prefixed' }),
      volts: volts(),
      ac: inSuffix({ title: 'volts AC', example: '275VAC', suffix: 'V?AC', written: 'VAC' }),
      dielectric: oneWord('dielectric', {
        electrolytic: ['elko', 'al'],
        tantalum: ['tant'],
        film: ['pp', 'mkp', 'mkt', 'polyester', 'polypropylene', 'foil'],
        ceramic: ['disc', 'mlcc'],
      }),
      tolerance,
      degrees: inSuffix({ title: 'degrees', example: '105', suffix: '(?:°?C)?', written: '°C' }),
      hours: inSuffix({ title: 'hours', example: '5000h', suffix: 'h', written: 'h' }),
      esr: inUnit({ title: 'ESR', unit: 'Ω', example: 'esr 0.05', word: 'esr', alone: true }),
      ripple: inUnit({ title: 'ripple current', unit: 'A', example: 'ripple 1.2A', word: 'ripple', alone: true }),
      lowEsr: flag('low ESR', 'lowesr', 'low-esr', 'lowz', 'low-z', 'polymer'),
      bipolar: flag('bipolar', 'bipolar', 'bp', 'np', 'nonpolar', 'non-polar'),
      pulse: flag('pulse-rated', 'pulse', 'pulse-rated', 'retrace'),
      slope: inSuffix({ title: 'pulse slope', example: '500V/us', suffix: 'V/[uµ]s', written: 'V/us' }),
      class: oneWord('safety class', { x1: [], x2: [], y1: [], y2: [] }),
      np0: flag('NP0', 'np0', 'c0g'),
      mount: oneWord('mounting', { radial: [], axial: [], snapin: ['snap-in'], smd: [], screw: [] }),
      size: size(),
    },
  },
  resistor: {
    title: 'resistor',
    words: ['r', 'resistor'],
    example: 'R 0.47 1W fusible 5%',
    figures: {
      ohms: inUnit({ title: 'resistance', unit: 'Ω', example: '4k7', bare: 'plain' }),
      watts: watts(),
      tolerance,
      volts: volts('volts', '350V'),
      fusible: flag('fusible', 'fusible', 'fuse', 'safety'),
      flameproof: flag('flameproof', 'flameproof', 'flame-proof', 'fp'),
      make: oneWord('make', {
        carbon: ['carbon-film'],
        composition: ['comp', 'carbon-composition'],
        film: ['metal', 'metal-film', 'mf'],
        oxide: ['mox', 'metal-oxide'],
        wirewound: ['ww', 'wire', 'wire-wound'],
      }),
      size: size(),
    },
  },
  diode: {
    title: 'diode',
    words: ['d', 'diode', 'bridge', 'zener'],
    example: 'D fast 600V 3A trr 75n',
    figures: {
      type: oneWord('type', {
        rectifier: ['slow', 'standard'],
        fast: ['ultrafast', 'uf', 'fast-recovery', 'superfast'],
        schottky: [],
        signal: [],
        germanium: ['ge'],
        zener: [],
        bridge: [],
      }),
      damper: flag('damper', 'damper'),
      volts: volts('volts', '600V'),
      amps: amps(),
      watts: watts('1.3W'),
      recovery: inUnit({ title: 'recovery time', unit: 's', example: 'trr 75n', word: 'trr', alone: true }),
      tolerance,
      case: caseOf,
    },
  },
  transistor: {
    title: 'transistor',
    words: ['q', 'transistor', 'fet', 'mosfet'],
    example: 'Q npn 1500V 8A 50W damper',
    figures: {
      polarity: oneWord('polarity', {
        npn: [],
        pnp: [],
        nfet: ['nmos', 'n-channel', 'n-ch', 'nch'],
        pfet: ['pmos', 'p-channel', 'p-ch', 'pch'],
      }),
      material: oneWord('material', { silicon: ['si'], germanium: ['ge'] }),
      volts: volts('volts', '1500V'),
      ceo: inUnit({ title: 'volts with open base', unit: 'V', example: 'ceo 700V', word: 'ceo' }),
      amps: amps('amperes', '8A'),
      watts: watts('50W'),
      gain: range('gain', 'hfe', 'hfe 40-120'),
      hertz: inUnit({ title: 'transition frequency', unit: 'Hz', example: '3MHz' }),
      on: inUnit({ title: 'on resistance', unit: 'Ω', example: 'rds 0.5', word: 'rds' }),
      charge: inSuffix({ title: 'gate charge', example: '40nC', suffix: 'nC', written: 'nC' }),
      darlington: flag('Darlington', 'darlington'),
      damper: flag('damper inside', 'damper'),
      baseResistor: inUnit({ title: 'base resistor inside', unit: 'Ω', example: 'rbe 47', word: 'rbe' }),
      pins: pinOrder('BCE'),
      gate: pinOrder('GDS'),
      insulated,
      case: caseOf,
    },
  },
  regulator: {
    title: 'regulator',
    words: ['reg', 'regulator'],
    example: 'REG 12V 1A',
    figures: {
      sign: oneWord('sign', { positive: ['pos'], negative: ['neg'] }),
      volts: volts('output', '12V'),
      amps: amps('amperes', '1A'),
      input: inUnit({ title: 'most input', unit: 'V', example: 'in 35V', word: 'in' }),
      dropout: inUnit({ title: 'dropout', unit: 'V', example: 'drop 2V', word: 'drop' }),
      adjustable: flag('adjustable', 'adjustable', 'adj'),
      pins: pinOrder('IGO'),
      insulated,
      case: caseOf,
    },
  },
  chip: {
    title: 'chip',
    words: ['u', 'ic', 'chip'],
    example: 'U no VX2040 dip18',
    figures: {
      number,
      suffix: printed('suffix', 'suffix', 'suffix B'),
      body: oneWord('body', {
        dip8: [],
        dip14: [],
        dip16: [],
        dip18: [],
        dip20: [],
        dip24: [],
        dip28: [],
        sip: [],
        so8: [],
        so16: [],
        qfp: [],
      }),
      programmed: flag('programmed', 'programmed', 'firmware'),
    },
  },
  optocoupler: {
    title: 'optocoupler',
    words: ['o', 'opto', 'optocoupler'],
    example: 'O ctr 80-160 5kV',
    figures: {
      transfer: range('transfer ratio', 'ctr', 'ctr 80-160'),
      isolation: volts('isolation', '5kV'),
      output: inUnit({ title: 'output volts', unit: 'V', example: 'ceo 70V', word: 'ceo' }),
      type: oneWord('output', { transistor: [], darlington: [], triac: [], logic: [] }),
      base: flag('base led out', 'base'),
      pinsCount: inSuffix({ title: 'pins', example: '4pin', suffix: 'pins?', written: 'pin' }),
    },
  },
  thermistor: {
    title: 'thermistor',
    words: ['rt', 'th', 'thermistor', 'posistor'],
    example: 'RT ntc 10 5A 80J',
    figures: {
      type: oneWord('type', { ntc: [], ptc: ['posistor'] }),
      ohms: inUnit({ title: 'cold resistance', unit: 'Ω', example: '10', bare: 'plain' }),
      amps: amps('amperes', '5A'),
      volts: volts('volts', '265V'),
      joules,
      beta: inSuffix({ title: 'B', example: 'b 3000', word: 'b', suffix: 'K?', written: '' }),
      pinsCount: inSuffix({ title: 'pins', example: '3pin', suffix: 'pins?', written: 'pin' }),
      size: size(),
    },
  },
  varistor: {
    title: 'varistor',
    words: ['rv', 'mov', 'varistor'],
    example: 'RV 275VAC 14mm 80J',
    figures: {
      ac: inSuffix({ title: 'volts AC', example: '275VAC', suffix: 'V(?:AC)?', written: 'VAC' }),
      surge: amps('surge current', '4500A'),
      joules,
      disc: millimetres('disc', '14mm'),
    },
  },
  fuse: {
    title: 'fuse',
    words: ['f', 'fuse'],
    example: 'F 3.15A 250V slow 5x20',
    figures: {
      amps: amps('amperes', '3.15A'),
      volts: volts('volts', '250V'),
      speed: oneWord('speed', {
        fast: ['quick', 'f', 'ff', 'fast-blow'],
        medium: ['m'],
        slow: ['time-lag', 'timelag', 'lag', 't', 'tt', 'slow-blow', 'time-delay'],
      }),
      breaking: oneWord('breaking capacity', { glass: ['low-breaking'], ceramic: ['high-breaking', 'hbc', 'sand'] }),
      melting: inSuffix({ title: 'I²t', example: 'i2t 30', word: 'i2t', suffix: '(?:A2s)?', written: '' }),
      size: size(),
    },
  },
  crystal: {
    title: 'crystal',
    words: ['x', 'crystal', 'resonator'],
    example: 'X 8MHz load 20p crystal',
    figures: {
      hertz: inUnit({ title: 'frequency', unit: 'Hz', example: '4.43361875MHz' }),
      load: inUnit({ title: 'load', unit: 'F', example: 'load 20p', word: 'load', alone: true }),
      type: oneWord('type', { crystal: ['quartz'], resonator: ['ceramic'] }),
      cut: oneWord('resonance', { series: [], parallel: [] }),
      tolerance: inSuffix({ title: 'tolerance', example: '30ppm', suffix: 'ppm', written: 'ppm' }),
    },
  },
  flyback: {
    title: 'line transformer',
    words: ['t', 'flyback', 'lopt'],
    example: 'T no FB-2214 25kV 112V 10pin',
    figures: {
      number,
      eht: inSuffix({ title: 'high voltage', example: '25kV', suffix: 'kV', written: 'kV', factor: 1000 }),
      supply: volts('supply', '112V'),
      pinsCount: inSuffix({ title: 'pins', example: '10pin', suffix: 'pins?', written: 'pin' }),
      focus: flag('focus and screen taps', 'taps', 'focus'),
      retrace: inUnit({ title: 'retrace capacitor it is made for', unit: 'F', example: 'for 8n2', word: 'for' }),
    },
  },
  yoke: {
    title: 'yoke',
    words: ['l', 'yoke'],
    example: 'L h 1.6mH v 12mH hr 2.1 vr 14 90deg neck 29',
    figures: {
      line: inUnit({ title: 'line coil', unit: 'H', example: 'h 1.6mH', word: 'h' }),
      field: inUnit({ title: 'field coil', unit: 'H', example: 'v 12mH', word: 'v' }),
      lineOhms: inUnit({ title: 'ohms of the line coil', unit: 'Ω', example: 'hr 2.1', word: 'hr' }),
      fieldOhms: inUnit({ title: 'ohms of the field coil', unit: 'Ω', example: 'vr 14', word: 'vr' }),
      angle: inSuffix({ title: 'deflection angle', example: '90deg', suffix: '(?:deg|°)', written: 'deg' }),
      neck: inSuffix({ title: 'neck', example: 'neck 29', word: 'neck', suffix: '(?:mm)?', written: 'mm' }),
    },
  },
  tube: {
    title: 'picture tube',
    words: ['v', 'tube', 'crt'],
    example: 'V type M34 neck 29 base B8 90deg heater 6.3V 0.3A strap',
    figures: {
      type: printed('type', 'type', 'type M34'),
      suffix: printed('suffix', 'suffix', 'suffix X12'),
      diagonal: inSuffix({ title: 'diagonal', example: '34cm', suffix: 'cm', written: 'cm' }),
      neck: inSuffix({ title: 'neck', example: 'neck 29', word: 'neck', suffix: '(?:mm)?', written: 'mm' }),
      base: printed('base', 'base', 'base B8'),
      angle: inSuffix({ title: 'deflection angle', example: '90deg', suffix: '(?:deg|°)', written: 'deg' }),
      heater: inUnit({ title: 'heater volts', unit: 'V', example: 'heater 6.3V', word: 'heater' }),
      heaterAmps: amps('heater current', '0.3A'),
      strap: flag('grounding strap', 'strap'),
      lugs: oneWord('lugs', { lugs: ['ears'], rimband: ['band'] }),
    },
  },
  lamp: {
    title: 'projection lamp',
    words: ['la', 'lamp'],
    example: 'LA 120W no LW-1 6000h',
    figures: {
      number,
      watts: watts('120W'),
      volts: volts('volts', '85V'),
      hours: inSuffix({ title: 'hours', example: '6000h', suffix: 'h', written: 'h' }),
      housed: flag('in its holder', 'housed', 'holder'),
    },
  },
  fan: {
    title: 'fan',
    words: ['fn', 'fan'],
    example: 'FAN 12V 0.2A 60x60x15 sensor',
    figures: {
      volts: volts('volts', '12V'),
      amps: amps('amperes', '0.2A'),
      flow: inSuffix({ title: 'flow', example: '30m3/h', suffix: 'm3/h', written: 'm3/h' }),
      sensor: flag('speed lead', 'sensor', 'tach', '3wire'),
      size: size(),
    },
  },
  board: {
    title: 'board',
    words: ['b', 'board'],
    example: 'B no VB-7 rev C panel 42',
    figures: {
      number,
      revision: printed('revision', 'rev', 'rev C'),
      panel: printed('panel', 'panel', 'panel PN42'),
      model: printed('model', 'model', 'model HP-42'),
      tested: flag('tested', 'tested', 'working'),
    },
  },
} as const satisfies Record<string, SupplyKindRow>;

/** A kind of part as a shop buys and keeps it. */
export type SupplyKind = keyof typeof rows;

/** All kinds that can be bought or kept, by name. */
export const supplyKinds: Readonly<Record<SupplyKind, SupplyKindRow>> = rows;
