/** No circles between folders, tests left out: they stand beside what they test and may use whatever proves it. */
module.exports = {
  forbidden: [
    {
      name: 'no-circles-between-folders',
      severity: 'error',
      scope: 'folder',
      from: { path: '^src/' },
      to: { circular: true },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '\\.(test|test-support)\\.ts$' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: { extensions: ['.ts', '.js', '.vue', '.json'] },
  },
}
