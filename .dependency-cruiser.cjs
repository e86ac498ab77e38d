/** Arrows run downward only: app → ui → core; app → server → core; core imports nothing of the rest. */
const outsideCore = '^(app|ui|workers|server|cli|catalogue|demo|standins|testing|bench|scripts|e2e)/'
/** Each question has one front door; words, rows and formats are taken by the file. */
const questions =
  '^core/(check|identify|panel|pick|plan|prove|read|recording|route|safety|setup|solve|trial|whole)/'
const frontDoor = '^core/[^/]+/index\\.ts$'
module.exports = {
  forbidden: [
    { name: 'no-cycle', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'core-stands-alone',
      severity: 'error',
      from: { path: '^core/', pathNot: '\\.test\\.ts$' },
      to: { path: outsideCore },
    },
    {
      name: 'questions-have-front-doors',
      severity: 'error',
      from: { path: '^core/([^/]+)/', pathNot: '\\.test\\.ts$' },
      to: { path: questions, pathNot: [frontDoor, '^core/$1/'] },
    },
    {
      name: 'nobody-climbs-in',
      severity: 'error',
      from: { path: '^(app|ui|workers|server|cli|catalogue|demo|standins|bench|e2e)/' },
      to: { path: questions, pathNot: frontDoor },
    },
    {
      name: 'core-is-pure',
      comment:
        'No framework, database, clock or file access in the core; Joi checks files at the door, and zones are data of a package.',
      severity: 'error',
      from: { path: '^core/', pathNot: '\\.test\\.ts$' },
      to: { dependencyTypes: ['npm', 'npm-dev', 'core'], pathNot: 'node_modules/(joi|@date-fns/tz)/' },
    },
    {
      name: 'joi-only-in-format',
      comment: 'The validator stays out of the browser: only the file format and the server use it.',
      severity: 'error',
      from: { path: '^(core|ui|workers)/', pathNot: '^core/format/|\\.test\\.tsx?$' },
      to: { path: 'node_modules/joi/' },
    },
    {
      name: 'nothing-built-on-tests',
      severity: 'error',
      from: {
        path: '^(app|ui|workers|server|cli|core|catalogue|demo|standins)/',
        pathNot: '\\.test\\.tsx?$',
      },
      to: { path: '^testing/' },
    },
    {
      name: 'catalogue-is-data',
      severity: 'error',
      from: { path: '^catalogue/', pathNot: '\\.test\\.ts$' },
      to: { path: '^(app|ui|workers|server|cli|demo)/' },
    },
    {
      name: 'ui-knows-no-server',
      severity: 'error',
      from: { path: '^(ui|workers)/', pathNot: '\\.test\\.tsx?$' },
      to: { path: '^(app|server|cli|demo)/|node_modules/(mysql2|pino)/' },
    },
    {
      name: 'ui-checks-no-files',
      comment: 'The file format carries the validator, which is too heavy for a page.',
      severity: 'error',
      from: { path: '^(ui|workers)/', pathNot: '\\.test\\.tsx?$' },
      to: { path: '^core/format/' },
    },
    {
      name: 'ui-ships-no-catalogue',
      comment: 'Devices and figures come with the job as data; they would weigh on every page as script.',
      severity: 'error',
      from: { path: '^(ui|workers)/', pathNot: '\\.test\\.tsx?$' },
      to: { path: '^catalogue/' },
    },
    {
      name: 'server-draws-nothing',
      severity: 'error',
      from: { path: '^server/' },
      to: { path: '^(app|ui|workers|cli)/|node_modules/(react|next)/' },
    },
    {
      name: 'cli-draws-nothing',
      severity: 'error',
      from: { path: '^cli/' },
      to: { path: '^(app|ui|workers|server)/' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default'],
    },
  },
}
