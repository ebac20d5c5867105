/** The order in which the folders of core may lean on each other: each imports only from those before it. */
const ORDER = [
  'numbers',
  'shape',
  'units',
  'larder',
  'amounts',
  'kit',
  'pot',
  'body',
  'cold',
  'season',
  'finish',
  'dish',
  'steps',
  'soup',
  'runner',
  'solve',
  'solver',
  'plan',
  'odds',
  'why',
  'draft',
  'method',
  'batch',
  'learn',
  'stock',
  'board',
  'bench',
  'messages',
  'labels',
  'formats',
];

const inOrder = ORDER.map((folder, n) => ({
  name: `core-order-${folder}`,
  comment: `core/src/${folder} may import only from the folders before it.`,
  severity: 'error',
  from: { path: `^core/src/${folder}/`, pathNot: '\\.spec\\.ts$' },
  to: { path: `^core/src/(${ORDER.slice(n + 1).join('|') || 'nothing'})/` },
}));

module.exports = {
  forbidden: [
    ...inOrder,
    {
      name: 'bench-knows-no-cooking',
      comment: 'What gives tests a truth must not share its making with what is tested.',
      severity: 'error',
      from: { path: '^core/src/bench/', pathNot: '\\.spec\\.ts$' },
      to: { path: '^core/src/(?!bench/)' },
    },
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'core-is-pure',
      comment: 'The cooking knows no screen, server, database, clock or file.',
      severity: 'error',
      from: { path: '^core/src/', pathNot: '\\.spec\\.ts$' },
      to: {
        pathNot: [
          '^core/src/',
          '^examples/',
          '^node_modules/(zod|fast-equals|fuse\\.js|highs|html-entities|papaparse|parse-ingredient|pure-rand|schema-dts|d3-random|simple-statistics|ml-matrix|@sindresorhus/slugify)/',
        ],
      },
    },
    {
      name: 'core-by-the-front-door',
      comment: 'A folder of core is entered through its index.',
      severity: 'error',
      from: { path: '^core/src/([^/]+)/', pathNot: '\\.spec\\.ts$' },
      to: { path: '^core/src/([^/]+)/(?!index\\.ts$)', pathNot: '^core/src/$1/' },
    },
    {
      name: 'web-not-into-server',
      severity: 'error',
      from: { path: '^web/src/' },
      to: { path: '^server/src/', pathNot: '^server/src/api\\.ts$' },
    },
    { name: 'server-not-into-web', severity: 'error', from: { path: '^server/' }, to: { path: '^web/' } },
    { name: 'resolvable', severity: 'error', from: {}, to: { couldNotResolve: true } },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '^dist/' },
    tsPreCompilationDeps: true,
    combinedDependencies: true,
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['types', 'import', 'default'],
      extensions: ['.ts', '.js', '.mjs', '.json'],
    },
  },
};
