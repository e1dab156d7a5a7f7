/**
 * The front end's layers: api below everything, shared above it, pages above that; a page is entered by its index
 * alone.
 */
module.exports = {
  forbidden: [
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'no-orphans',
      severity: 'error',
      from: { orphan: true, pathNot: ['\\.test\\.ts$', '\\.d\\.ts$', 'main\\.ts$', 'testing/setup\\.ts$'] },
      to: {},
    },
    {
      name: 'api-stands-alone',
      severity: 'error',
      from: { path: '^resources/js/api/' },
      to: { path: '^resources/js/', pathNot: '^resources/js/api/' },
    },
    {
      name: 'shared-knows-no-page',
      severity: 'error',
      from: { path: '^resources/js/shared/', pathNot: '\\.test\\.ts$' },
      to: { path: '^resources/js/', pathNot: '^resources/js/(shared|api)/' },
    },
    {
      name: 'folders-are-entered-by-their-index',
      severity: 'error',
      from: { path: '^resources/js/([^/]+)/' },
      to: { path: '^resources/js/([^/]+)/', pathNot: ['^resources/js/$1/', '^resources/js/[^/]+/index\\.ts$'] },
    },
    {
      name: 'only-tests-import-tests',
      severity: 'error',
      from: { pathNot: '\\.test\\.ts$' },
      to: { path: '\\.test\\.ts$' },
    },
    {
      name: 'nothing-unlisted',
      severity: 'error',
      from: {},
      to: { dependencyTypes: ['npm-no-pkg', 'npm-unknown', 'unknown', 'undetermined'] },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: { extensions: ['.ts', '.d.ts', '.vue', '.js', '.css'] },
  },
}
