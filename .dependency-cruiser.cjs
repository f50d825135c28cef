/** The layers of docs/decisions/0001-layers.md: an import may only point down. */
const layers = ['app', 'features', 'ui', 'store', 'workers', 'exchange', 'core'];
const above = (layer) => layers.slice(0, layers.indexOf(layer)).join('|');
const coreRooms = [
  'project',
  'members',
  'advice',
  'schedule',
  'document',
  'drawing',
  'model',
  'checks',
  'reinforcement',
  'codes',
  'analysis',
  'section',
  'materials',
  'geometry',
  'calc',
  'units',
];

module.exports = {
  forbidden: [
    {
      name: 'core-is-pure',
      severity: 'error',
      from: { path: '^src/core' },
      to: { path: 'node_modules/(react|react-dom|next|radix-ui|recharts|zustand|localforage|pdfmake|papaparse)(/|$)' },
    },
    ...['features', 'ui', 'store', 'workers', 'exchange', 'core'].map((layer) => ({
      name: `${layer}-points-down`,
      severity: 'error',
      from: { path: `^src/${layer}/` },
      to: { path: `^src/(${above(layer)})/`, ...(layer === 'ui' ? { pathNot: '^$' } : {}) },
    })),
    {
      name: 'a-feature-stands-alone',
      severity: 'error',
      from: { path: '^src/features/([^/]+)/' },
      to: { path: '^src/features/([^/]+)/', pathNot: '^src/features/($1)/' },
    },
    ...coreRooms
      .slice(1)
      .map((room, i) => ({
        name: `core-${room}-points-down`,
        severity: 'error',
        from: { path: `^src/core/${room}/` },
        to: { path: `^src/core/(${coreRooms.slice(0, i + 1).join('|')})/` },
      })),
    {
      name: 'only-the-registry-names-a-code',
      severity: 'error',
      from: { path: '^src/', pathNot: '^src/core/codes/(registry\\.ts$|[^/]+/)' },
      to: { path: '^src/core/codes/[^/]+/' },
    },
    {
      name: 'a-code-stands-alone',
      severity: 'error',
      from: { path: '^src/core/codes/([^/]+)/' },
      to: { path: '^src/core/codes/[^/]+/', pathNot: '^src/core/codes/$1/' },
    },
    {
      name: 'only-the-list-names-a-kind',
      comment: 'Records of kinds are reached through the list; a kind may build on another.',
      severity: 'error',
      from: { path: '^src/', pathNot: '^src/core/members/kinds\\.ts$' },
      to: { path: '^src/core/members/[^/]+/kind\\.ts$' },
    },
    {
      name: 'a-page-does-without-the-work',
      comment: 'Design and ways forward are fetched by workers, server and command line alone.',
      severity: 'error',
      from: { path: '^src/', pathNot: '^src/core/project/(design-member|taken)\\.ts$|^src/workers/design\\.worker\\.ts$' },
      to: { path: '^src/core/members/works\\.ts$' },
    },
    {
      name: 'only-the-works-name-a-work',
      severity: 'error',
      from: { path: '^src/', pathNot: '^src/core/members/works\\.ts$' },
      to: { path: '^src/core/members/[^/]+/work\\.ts$' },
    },
    {
      name: 'a-page-designs-by-its-workers',
      severity: 'error',
      from: { path: '^src/(ui|features|store)/' },
      to: { path: '^src/core/project/(design-member|taken)\\.ts$', dependencyTypesNot: ['type-only'] },
    },
    { name: 'no-circular', severity: 'error', from: {}, to: { circular: true } },
    { name: 'not-to-unresolvable', severity: 'error', from: {}, to: { couldNotResolve: true } },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
      extensions: ['.ts', '.tsx', '.mjs', '.js', '.json'],
    },
  },
};
