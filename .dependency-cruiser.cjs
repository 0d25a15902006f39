/** Arrows point down only; docs/architecture.md draws them. */
const TESTS = '\\.(test|spec|test-support)\\.ts$'

const onlyTo = (name, comment, from, allowed) => ({
  name,
  comment,
  severity: 'error',
  from: { path: `^src/${from}/`, pathNot: TESTS },
  to: { path: '^src/', pathNot: [`^src/${from}/`, ...allowed.map((path) => `^src/${path}`)] },
})

module.exports = {
  forbidden: [
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'no-orphans',
      severity: 'error',
      from: { orphan: true, path: '^src/', pathNot: ['\\.d\\.ts$', TESTS, 'worker\\.ts$', 'main\\.ts$'] },
      to: {},
    },
    onlyTo('core-stands-alone', 'core knows nothing above it', 'core', []),
    {
      name: 'core-is-pure',
      comment: 'core runs in a page, a worker or Node: it may use few packages, all pure',
      severity: 'error',
      from: { path: '^src/core/', pathNot: TESTS },
      to: {
        dependencyTypes: ['npm', 'npm-dev', 'core'],
        pathNot: [
          'node_modules/(yup|nrf-intel-hex|papaparse|@types/papaparse|culori|@types/culori|simple-statistics|@noble/hashes|jsonc-parser)/',
        ],
      },
    },
    onlyTo(
      'firmware-knows-bytes',
      'firmware knows the format and the protocol, and nothing of profiles',
      'firmware',
      [
        'core/hid/',
        'core/light/',
        'core/motion/',
        'core/device/',
        'core/image/(actions|action-types|bytes|crc32|format|image|light-codec|macro-budget|macro-code|macro-ops|steps-section|strokes)',
        'core/link/(packets|delta|transport)',
      ],
    ),
    onlyTo('simulator-holds-firmware', 'the worker holds devices and their clock', 'simulator', [
      'firmware/',
      'core/(hid|light|motion|device)/',
      'core/link/(transport|session)',
    ]),
    onlyTo('look-is-shared', 'drawings and colours both entries show', 'look', [
      'core/(device|hid|light)/',
      'simulator/(client|face)',
    ]),
    onlyTo('unplugged-has-no-configurator', 'the computer without a configurator', 'unplugged', [
      'look/',
      'simulator/(client|face)',
      'core/(hid|device|motion)/',
    ]),
    onlyTo('cli-is-core-and-firmware', 'the core at a shell', 'cli', ['core/', 'firmware/']),
    onlyTo('server-serves-files', 'the server knows only the build', 'server', []),
    onlyTo('app-does-not-reach-devices', 'the app knows devices through their transport', 'app', [
      'core/',
      'look/',
      'simulator/(client|face)',
    ]),
    {
      name: 'device-below-profile',
      severity: 'error',
      from: { path: '^src/core/(hid|light|motion|device)/', pathNot: TESTS },
      to: { path: '^src/core/(profile|link)/|^src/core/image/(compile|decompile|lower|intel-hex)' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: { extensions: ['.ts', '.js', '.vue', '.json'] },
  },
}
