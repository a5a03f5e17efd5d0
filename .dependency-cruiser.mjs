// The frame of the house: which room may know which. `npm run lint` holds it; docs/architecture.md shows it.

/** Layers from the top down; each may import itself and those named after it. */
const layers = {
  app: ['features', 'workshop', 'ui', 'core'],
  cli: ['demo', 'store', 'instruments', 'sheets', 'core'],
  benchmarks: ['demo', 'store', 'sheets', 'core'],
  demo: ['store', 'instruments', 'sheets', 'core'],
  features: ['workshop', 'ui', 'store', 'instruments', 'workers', 'sheets', 'core'],
  workshop: ['ui', 'store', 'instruments', 'workers', 'sheets', 'core'],
  workers: ['core'],
  instruments: ['core'],
  store: ['core'],
  sheets: ['core'],
  ui: ['core'],
  core: [],
};

/** Rooms of core from the bottom up; none knows one above it. */
const rooms = [
  'quantity',
  'statistics',
  'soak',
  'recent',
  'plane',
  'circuit',
  'tracing',
  'picture',
  'patterns',
  'parts',
  'measure',
  'supply',
  'survey',
  'sheet',
  'screen',
  'repair',
  'kit',
  'behaviour',
  'log',
  'teardown',
  'reading',
  'safety',
  'plan',
  'compare',
  'inside',
  'diagnosis',
  'entry',
  'job',
  'notebook',
  'days',
  'proof',
  'overhaul',
  'intermittent',
  'crosshatch',
  'setup',
  'practice',
];

/** Rooms with rooms of their own, from the bottom up. */
const within = { circuit: ['elements', 'netlist', 'solve', 'faults', 'ladder'], diagnosis: ['belief', 'advice'] };

const any = (names) => `(${names.join('|')})`;
const noTests = '\\.test\\.tsx?$';

const frame = {
  forbidden: [
    {
      name: 'no-circle',
      comment: 'No file leads back to itself, by value or by type.',
      severity: 'error',
      from: {},
      to: { circular: true },
    },
    ...Object.entries(layers).map(([layer, uses]) => ({
      name: `layer-${layer}`,
      comment: `Imports run downwards only: ${layer} may know ${uses.join(', ') || 'itself alone'}.`,
      severity: 'error',
      from: { path: `^src/${layer}/`, pathNot: noTests },
      to: { path: '^src/', pathNot: `^src/${any([layer, ...uses])}/` },
    })),
    {
      name: 'features-apart',
      comment: 'Screens do not know each other; what they share is in src/workshop.',
      severity: 'error',
      from: { path: '^src/features/([^/]+)/' },
      to: { path: '^src/features/', pathNot: '^src/features/$1/' },
    },
    {
      name: 'doors-of-features',
      comment: 'A route enters a feature by its index, its load, its actions or its handlers.',
      severity: 'error',
      from: { path: '^src/app/' },
      to: { path: '^src/features/', pathNot: '^src/features/[^/]+/(index|load\\w*|find|handle\\w+)\\.tsx?$' },
    },
    {
      name: 'doors-of-the-workshop',
      comment: 'A room of the workshop is entered by its index, or on the server by its server.ts.',
      severity: 'error',
      from: { path: '^src/(?:workshop/([^/]+)|([^/]+))/', pathNot: noTests },
      to: { path: '^src/workshop/', pathNot: '^src/workshop/(?:$1/|[^/]+/(?:index|server)\\.ts$)' },
    },
    {
      name: 'doors-of-core-from-outside',
      comment: 'Core is entered by the index of a room.',
      severity: 'error',
      from: { path: '^src/', pathNot: ['^src/core/', noTests] },
      to: {
        path: '^src/core/',
        pathNot: '^src/core/(?:[^/]+|circuit/[^/]+|diagnosis/[^/]+|reading/[^/]+)/index\\.ts$',
      },
    },
    {
      name: 'doors-inside-core',
      comment: 'A room of core is entered by its index.',
      severity: 'error',
      from: { path: '^src/core/([^/]+)/', pathNot: noTests },
      to: { path: '^src/core/', pathNot: '^src/core/(?:$1/|[^/]+/index\\.ts$|circuit/[^/]+/index\\.ts$)' },
    },
    ...rooms.map((room, place) => ({
      name: `room-${room}`,
      comment: `Inside core imports run downwards: ${room} may know ${rooms.slice(0, place).join(', ') || 'no other room'}.`,
      severity: 'error',
      from: { path: `^src/core/${room}/`, pathNot: noTests },
      to: { path: '^src/core/', pathNot: `^src/core/${any(rooms.slice(0, place + 1))}/` },
    })),
    ...Object.entries(within).flatMap(([room, parts]) =>
      parts.map((part, place) => ({
        name: `room-${room}-${part}`,
        comment: `${room}/${part} may know ${parts.slice(0, place).join(', ') || 'none beside it'}, by their doors.`,
        severity: 'error',
        from: { path: `^src/core/${room}/${part}/`, pathNot: noTests },
        to: {
          path: `^src/core/${room}/`,
          pathNot: [
            `^src/core/${room}/${part}/`,
            ...parts.slice(0, place).map((one) => `^src/core/${room}/${one}/index\\.ts$`),
          ],
        },
      })),
    ),
    {
      name: 'core-is-pure',
      comment: 'Core has no interface, database or framework code.',
      severity: 'error',
      from: { path: '^src/core/', pathNot: noTests },
      to: { pathNot: ['^src/core/', 'node_modules/(devalue|highs|ml-matrix|papaparse|yaml|yup|simple-statistics)/'] },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    exclude: { path: '\\.css$' },
  },
};

export default frame;
