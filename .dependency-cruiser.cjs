/** Arrows point down only; docs/architecture.md draws them. */
const TESTS = '\\.(test|spec|test-support)\\.ts$'

const onlyTo = (name, comment, from, allowed) => ({
  name,
  comment,
  severity: 'error',
  from: { path: `^src/${from}/`, pathNot: TESTS },
  to: { path: '^src/', pathNot: [`^src/${from}/`, ...allowed.map((path) => `^src/${path}`)] },
})

/**
 * The floors of core and of the app, from the ground up: a folder imports only from those on floors before its own, and
 * two on one floor not from each other. So there is no circle between folders either.
 */
const CORE_FLOORS = [
  ['message'],
  ['base'],
  ['hid'],
  ['effects'],
  ['actions'],
  ['onboard'],
  ['device'],
  ['light', 'motion'],
  ['link'],
  ['computer'],
  ['document'],
  ['wording'],
  ['terms'],
  ['edits'],
  ['files'],
  ['text'],
  ['checks'],
  ['compile'],
  ['programs'],
  ['share', 'measure', 'cheat-sheet', 'find', 'timeline'],
]
const PLACES = ['buttons', 'compare', 'devices', 'library', 'light', 'macros', 'measure', 'motion']
const APP_FLOORS = [
  ['workers'],
  ['database'],
  ['stores'],
  ['shared', 'files'],
  PLACES,
  ['profile', 'settings'],
  ['shell'],
]

const floors = (house, levels) =>
  levels.flatMap((level, index) =>
    level.map((folder) => ({
      name: `floor-${house}-${folder}`,
      severity: 'error',
      from: { path: `^src/${house}/${folder}/`, pathNot: TESTS },
      to: {
        path: `^src/${house}/`,
        pathNot: [folder, ...levels.slice(0, index).flat()].map((below) => `^src/${house}/${below}/`),
      },
    })),
  )

module.exports = {
  forbidden: [
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'no-orphans',
      severity: 'error',
      from: { orphan: true, path: '^src/', pathNot: ['\\.d\\.ts$', TESTS, 'worker\\.ts$', 'main\\.ts$'] },
      to: {},
    },
    onlyTo('faults-stand-alone', 'errors of all pages and workers', 'faults', ['messages/']),
    onlyTo('messages-stand-alone', 'the words of all pages, and how they are shown', 'messages', [
      'core/message/',
    ]),
    onlyTo('core-stands-alone', 'core knows nothing above it', 'core', []),
    {
      name: 'core-is-pure',
      comment: 'core runs in a page, a worker or Node: it may use few packages, all pure',
      severity: 'error',
      from: { path: '^src/core/', pathNot: TESTS },
      to: {
        dependencyTypes: ['npm', 'npm-dev', 'core'],
        pathNot: [
          'node_modules/(yup|nrf-intel-hex|papaparse|@types/papaparse|culori|@types/culori|simple-statistics|@noble/hashes|jsonc-parser|fflate)/',
        ],
      },
    },
    ...floors('core', CORE_FLOORS),
    ...floors('app', APP_FLOORS),
    onlyTo(
      'firmware-knows-bytes',
      'firmware knows what a device knows and the protocol, and nothing of a person’s documents',
      'firmware',
      [
        'core/(message|base|hid|effects|actions|onboard|device|light|motion)/',
        'core/link/(packets|battery-life|delta|transport)',
      ],
    ),
    onlyTo('simulator-holds-firmware', 'the worker holds devices and their clock', 'simulator', [
      'faults/report',
      'firmware/',
      'core/(base|hid|effects|device|light|motion|message)/',
      'core/link/(transport|session)',
    ]),
    onlyTo('look-is-shared', 'drawings, colours and the component library of both entries', 'look', [
      'messages/',
      'core/(base|hid|effects|device|light|computer)/',
      'simulator/(client|api)',
    ]),
    onlyTo('unplugged-has-no-configurator', 'the computer without a configurator', 'unplugged', [
      'faults/',
      'messages/',
      'look/',
      'simulator/(client|api)',
      'core/(base|hid|device|motion|computer|message)/',
      // What stands for a program that is installed; it loads when it is switched on.
      'helper/',
    ]),
    onlyTo('helper-does-what-a-program-can', 'it knows rules and the link, and no firmware', 'helper', [
      'core/(message|base|onboard|device|link|computer|document|files)/',
      'simulator/client',
    ]),
    onlyTo('cli-is-core-and-firmware', 'the core at a shell', 'cli', [
      'core/',
      'firmware/',
      'messages/plain',
    ]),
    onlyTo('server-serves-files', 'the server knows only the build', 'server', []),
    onlyTo('app-does-not-reach-devices', 'the app knows devices through their transport', 'app', [
      'faults/',
      'messages/',
      'core/',
      'look/',
      'simulator/(client|api)',
    ]),
    {
      name: 'no-words-and-no-schemas-below-documents',
      comment: 'so firmware and Unplugged carry neither',
      severity: 'error',
      from: {
        path: '^src/core/(message|base|hid|effects|actions|onboard|light|motion|link|computer)/',
        pathNot: TESTS,
      },
      to: { path: 'node_modules/yup/' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: { extensions: ['.ts', '.js', '.vue', '.json'] },
  },
}
