/** The layers of docs/architecture.md. An import that no rule of a layer allows fails the tests. */
const server = '^packages/server/src';
const web = '^packages/web/src';

/** Rooms from the lowest: each uses those before it alone. What a test is tried with may come from anywhere. */
const inOrder = (name, base, order) =>
  order.slice(0, -1).map((room, at) => ({
    name: `${name}-${room}-uses-none-above`,
    severity: 'error',
    from: { path: `${base}/${room}/`, pathNot: '[.]test[.]tsx?$' },
    to: { path: order.slice(at + 1).map((above) => `${base}/${above}/`) },
  }));
const only = (name, from, allowed) => ({
  name,
  severity: 'error',
  from: { path: from, pathNot: '\\.test\\.tsx?$' },
  to: { pathNot: [...allowed, ...(from.includes('core') || from.includes('contract') ? [] : ['node_modules', '^(node:)?[a-z_/]+$'])] },
});

/** The subjects of a layer of the server, from the lowest: each uses those before it alone, and from outside it is known by its index. */
const subjects = (layer, order) => {
  const any = `${server}/${layer}/(${order.join('|')})/`;
  const inside = `${any.replace('(', '(?:')}(?!index\\.ts$)`;
  return [
    ...inOrder(layer, `${server}/${layer}`, order),
    { name: `${layer}-by-index-within`, severity: 'error', from: { path: any }, to: { path: inside, pathNot: `${server}/${layer}/$1/` } },
    { name: `${layer}-by-index-from-outside`, severity: 'error', from: { path: '^packages', pathNot: `${server}/${layer}/` }, to: { path: inside } },
  ];
};

module.exports = {
  forbidden: [
    ...subjects('application', ['books', 'people', 'budgets', 'rates', 'statements', 'placement', 'layouts', 'chart', 'companies', 'ledger', 'history']),
    ...subjects('persistence', [
      'database',
      'books',
      'history',
      'people',
      'budgets',
      'rates',
      'layouts',
      'sets',
      'placement',
      'chart',
      'ledger',
      'companies',
      'jobs',
    ]),
    // Not through types either.
    { name: 'no-cycles', severity: 'error', from: {}, to: { circular: true } },
    { name: 'no-unresolved', severity: 'error', from: {}, to: { couldNotResolve: true, pathNot: '\\.css$' } },
    only('core-imports-nothing', '^packages/core/src', ['^packages/core/src']),
    only('contract-imports-zod-only', '^packages/contract/src', ['^packages/contract/src', 'node_modules/zod']),
    only('application-imports-core', `${server}/application`, [`${server}/application`, '^packages/core/src/index.ts$']),
    only('http-imports-application-and-contract', `${server}/http`, [`${server}/http`, `${server}/application`, '^packages/(core|contract)/src/index.ts$']),
    only('persistence-imports-application-and-core', `${server}/persistence`, [
      `${server}/persistence`,
      `${server}/application`,
      '^packages/core/src/index.ts$',
    ]),
    // What is kept as a file is read by its schema, which the contract has.
    only('documents-import-application-core-and-contract', `${server}/documents`, [
      `${server}/documents`,
      `${server}/application`,
      '^packages/core/src/index.ts$',
      '^packages/contract/src/index.ts$',
    ]),
    only('demo-imports-application-and-core', `${server}/demo`, [`${server}/demo`, `${server}/application`, '^packages/core/src/index.ts$']),
    {
      name: 'express-in-http-only',
      severity: 'error',
      from: { path: '^packages', pathNot: `${server}/http` },
      to: { path: 'node_modules/(@types/)?express/' },
    },
    {
      name: 'typeorm-in-persistence-only',
      severity: 'error',
      from: { path: '^packages', pathNot: [`${server}/persistence`, `${server}/(serve|wirePorts).ts`] },
      to: { path: 'node_modules/typeorm/' },
    },
    {
      // Types name connections everywhere; what builds statements is in one file, beside what describes tables and what connects.
      name: 'typeorm-builds-in-one-file',
      severity: 'error',
      from: { path: `${server}/persistence`, pathNot: [`${server}/persistence/(database/rows|openDatabase)\\.ts$`, `${server}/persistence/entities/`] },
      to: { path: 'node_modules/typeorm/', dependencyTypesNot: ['type-only'] },
    },
    { name: 'application-imports-no-package', severity: 'error', from: { path: `${server}/application` }, to: { path: 'node_modules' } },
    { name: 'web-never-imports-server', severity: 'error', from: { path: '^packages/web' }, to: { path: '^packages/server' } },
    {
      // What builds the page reads the contract by its files: Node loads no TypeScript of another package.
      name: 'no-deep-imports-of-packages',
      severity: 'error',
      from: { path: '^packages/([^/]+)/', pathNot: '^packages/web/vite\\.config\\.ts$' },
      to: { path: '^packages/[^/]+/src/', pathNot: ['^packages/$1/', '^packages/[^/]+/src/index.ts$'] },
    },
    {
      name: 'web-shell-features-shared',
      comment: 'What is shared knows no feature, and neither knows the shell.',
      severity: 'error',
      from: { path: `${web}/(features|shared)` },
      to: { path: `${web}/shell` },
    },
    { name: 'web-shared-knows-no-feature', severity: 'error', from: { path: `${web}/shared` }, to: { path: `${web}/features` } },
    {
      name: 'web-features-by-their-index',
      comment: 'But what is opened later: a screen by the router, a panel by who shows it.',
      severity: 'error',
      from: { path: `${web}/(shell|features/([^/]+))/`, pathNot: '[.]test[.]tsx?$' },
      to: {
        path: `${web}/features/[^/]+/`,
        pathNot: [`${web}/features/$2/`, `${web}/features/[^/]+/(index[.]ts|[A-Z][A-Za-z]*Screen[.]tsx)$`, '[.]css$'],
        dynamic: false,
      },
    },
    ...inOrder('web-shared', `${web}/shared`, ['words', 'components', 'api', 'workers', 'state']),
    ...inOrder('web-features', `${web}/features`, [
      'evidence',
      'facets',
      'attachments',
      'history',
      'proofs',
      'series',
      'climb',
      'ledger',
      'entries',
      'opening',
      'rehearsal',
      'placement',
      'chart',
      'chartfile',
      'codes',
      'coverage',
      'ranges',
      'record',
      'importing',
      'journal',
      'accountledger',
      'budgets',
      'rates',
      'calendar',
      'statements',
      'columns',
      'composer',
      'layouts',
      'sets',
      'people',
      'companies',
      'settings',
    ]),
    {
      name: 'tests-import-packages-by-their-index',
      severity: 'error',
      from: { path: '^(tests|bench)' },
      to: { path: '^packages/[^/]+/src/', pathNot: '^packages/[^/]+/src/index.ts$' },
    },
  ],
  options: {
    tsPreCompilationDeps: true,
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)dist/' },
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'require', 'node', 'default', 'types'] },
  },
};
