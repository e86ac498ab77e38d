/** No two rooms of the interface import each other, nor by way of others; tests may. */
module.exports = {
  forbidden: [
    {
      name: 'rooms-in-no-circle',
      severity: 'error',
      scope: 'folder',
      from: { path: '^ui/[^/]+$' },
      to: { path: '^ui/[^/]+$', circular: true },
    },
  ],
  options: {
    includeOnly: '^ui/',
    exclude: { path: '\\.test\\.tsx?$' },
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
  },
}
