/** Arrows point one way: web to core, server to core, never back; inside core from the right of its list of folders to the left. */
const CORE = [
  'quantity',
  'thumb',
  'gauge',
  'stack',
  'motion',
  'strength',
  'designations',
  'dictionary',
  'marks',
  'shop',
  'readings',
  'catalogue',
  'outline',
  'search',
  'rules',
  'identify',
  'engine',
  'joints',
  'interchange',
  'build',
  'planner',
  'fit',
  'job',
  'assembly',
  'order',
  'compare',
  'audit',
  'learning',
  'practice',
  'formats',
  'contract',
  'workshop',
];
/** formats and contract are about the shapes of everything before them, and nothing before needs the shapes. */

const inside = CORE.slice(0, -1).map((folder, at) => ({
  name: `core-${folder}-looks-left`,
  comment: `core/${folder} may only use what stands left of it: ${CORE.slice(0, at).join(', ') || 'nothing'}`,
  severity: 'error',
  from: { path: `^core/src/${folder}/`, pathNot: '^core/src/(contract|thumb)/.*\\.spec\\.ts$' },
  to: { path: `^core/src/(${CORE.slice(at + 1).join('|')})/` },
}));

/** @type {import('dependency-cruiser').IConfiguration} */
module.exports = {
  forbidden: [
    ...inside,
    {
      name: 'core-stands-alone',
      severity: 'error',
      from: { path: '^core/src' },
      to: { path: '^(web|server|e2e)/|@angular|fastify|typeorm|^node:' },
    },
    {
      name: 'only-specs-use-testing',
      comment: 'What specs share is no part of the product',
      severity: 'error',
      from: { path: '^core/src/', pathNot: ['^core/src/testing/', '\\.spec\\.ts$'] },
      to: { path: '^core/src/testing/' },
    },
    { name: 'core-uses-no-node', severity: 'error', from: { path: '^core/src' }, to: { dependencyTypes: ['core'] } },
    { name: 'web-not-server', severity: 'error', from: { path: '^web/src' }, to: { path: '^server/' } },
    { name: 'server-not-web', severity: 'error', from: { path: '^server/src' }, to: { path: '^web/' } },
    {
      name: 'stations-stay-apart',
      comment: 'A station uses data/ and ui/, not another station',
      severity: 'error',
      from: { path: '^web/src/app/(bench|catalogue|compare|fit|jobs|order|plan|practice|rules|swap|shelf)/' },
      to: {
        path: '^web/src/app/(bench|catalogue|compare|fit|jobs|order|plan|practice|rules|swap|shelf|frame)/',
        pathNot: '^web/src/app/$1/',
      },
    },
    {
      name: 'ui-and-data-below-stations',
      severity: 'error',
      from: { path: '^web/src/app/(ui|data)/' },
      to: { path: '^web/src/app/(bench|catalogue|compare|fit|jobs|order|plan|practice|rules|swap|shelf|frame)/' },
    },
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'no-orphans',
      severity: 'error',
      from: {
        orphan: true,
        pathNot: ['\\.d\\.ts$', '\\.spec\\.ts$', 'main\\.ts$', '\\.worker\\.ts$', 'specTimeout\\.ts$'],
      },
      to: {},
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    exclude: { path: '/dist/|node_modules' },
  },
};
