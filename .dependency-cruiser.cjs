/** The import rules of the house: see docs/architecture.md. */
const PURE_PACKAGES =
  '^(@formatjs|fast-deep-equal|zod|rfc6902|culori|css-tree|date-fns|fastest-levenshtein|pure-rand|slugify|unified|remark-parse|remark-gfm|remark-rehype|rehype-raw|rehype-sanitize|@types/hast)';

function forbid(name, from, to, comment) {
  return { name, severity: 'error', from: { path: from }, to: { path: to }, comment };
}

module.exports = {
  forbidden: [
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'no-folder-circles',
      severity: 'error',
      scope: 'folder',
      from: { path: '^src/(core|services|pieces|runtime|studio)' },
      to: { circular: true },
      comment: 'an area imports no neighbour that imports it, not even for a type',
    },
    {
      name: 'core-is-pure',
      severity: 'error',
      from: { path: '^src/core' },
      to: { pathNot: ['^src/core', `node_modules/(${PURE_PACKAGES.slice(2, -1)})`] },
      comment: 'core imports only itself and small pure packages',
    },
    {
      name: 'definitions-import-only-core',
      severity: 'error',
      from: { path: '^src/pieces/(definitions|[^/]+/(definition|situations|words|shared))\\.ts$' },
      to: { pathNot: ['^src/core', '^src/pieces/[^/]+/(definition|situations|words|shared)\\.ts$'] },
    },
    {
      name: 'kinds-are-asked-by-role',
      severity: 'error',
      from: { path: '^(src|demo|scripts)/', pathNot: '^src/pieces/(definitions|servers|views|[a-z][^/]*/)' },
      to: { path: '^src/pieces/[a-z][^/.]*/' },
      comment: 'a kind is named in its folder and in the three lists, and nowhere else',
    },
    {
      name: 'kinds-know-no-neighbour',
      severity: 'error',
      from: { path: '^src/pieces/([a-z][^/.]*)/' },
      to: { path: '^src/pieces/[a-z][^/.]*/', pathNot: '^src/pieces/$1/' },
      comment: 'what two kinds share lies in a family (_cart, _cards …)',
    },
    forbid(
      'shopper-side-stays-small',
      '^src/(runtime|pieces)',
      '^src/(studio|data|services|standins|pages|shop)',
      'the shopper downloads this',
    ),
    forbid(
      'views-only-from-the-runtime',
      '^src/(studio|data|services|pages|core)',
      '^src/(pieces/[^/]+/view|runtime)',
      'the studio frames the real shop',
    ),
    {
      name: 'no-zod-in-the-runtime',
      severity: 'error',
      from: { path: '^src/(runtime|entries|shop/browser|pieces/[^/]+/view|pieces/_(cart|options)/(?!shared|words))' },
      to: { path: '(zod|\\.schema\\.ts$|^src/contract)', dependencyTypesNot: ['type-only'] },
    },
    forbid(
      'studio-speaks-through-the-api',
      '^src/studio',
      '^src/(data|services|standins|pages|shop|runtime)',
      'studio imports core, definitions and an API client',
    ),
    forbid(
      'data-knows-core-only',
      '^src/data',
      '^src/(services|standins|studio|pages|shop|runtime|pieces)',
      'repositories return core types',
    ),
    forbid(
      'services-below-pages',
      '^src/services',
      '^src/(studio|pages|shop|runtime|server|workers)',
      'services know no interface',
    ),
    {
      name: 'server-stands-outside',
      severity: 'error',
      from: { path: '^src/server' },
      to: { path: '^src/(?!server|services/(process-slot|page-cache|limits|accounts/security-policy))' },
      comment: 'it is built apart from the app: a module they shared would be there twice',
    },
    forbid(
      'workers-are-thin',
      '^src/workers',
      '^src/(studio|pages|shop|runtime|server|data)',
      'they call core or a service',
    ),
    {
      name: 'the-slow-pricer-judges-alone',
      severity: 'error',
      from: { path: '^tests/support/slow-pricer' },
      to: { path: '.' },
      comment: 'it is written from docs/pricing.md and judges what src makes of it',
    },
    forbid('standins-stand-alone', '^src/standins', '^src/(?!standins|core)', 'an outside service knows nothing of us'),
    {
      name: 'the-contract-stands-on-the-core',
      severity: 'error',
      from: { path: '^src/contract' },
      to: { path: '^src/(?!contract|core|pieces/definitions\\.ts$)' },
      comment: 'every side shares it, its types included',
    },
    {
      name: 'sequelize-only-in-data',
      severity: 'error',
      from: { pathNot: '^src/data' },
      to: { path: 'node_modules/(sequelize|sqlite3|umzug)' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '^(dist|public)' },
    tsPreCompilationDeps: 'specify',
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
    },
  },
};
