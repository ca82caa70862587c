/** Packages core may use for figures and tables: no interface, no platform, no clock. */
const NUMERIC =
  'node_modules/(@stdlib/|ml-matrix|d3-random|pure-rand|papaparse|date-fns|zod|fft\.js|@types/d3-random)';
const INTERFACE =
  'node_modules/(react|react-dom|react-router|swr|radix-ui|lucide-react|uuid|idb|date-fns|@tanstack/react-virtual|qr|ical-generator|zod|recharts|ml-matrix|@fontsource-variable|@types/react|@types/react-dom)(/|$)';

/** @type {import('dependency-cruiser').IConfiguration} */
module.exports = {
  forbidden: [
    { name: 'no-circular', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'core-imports-nothing-of-ours',
      severity: 'error',
      from: { path: '^core/' },
      to: { path: '^(contract|server|web|demo|e2e|bench)/' },
    },
    {
      name: 'core-numeric-packages-only',
      severity: 'error',
      from: { path: '^core/', pathNot: '\\.test\\.ts$' },
      to: { dependencyTypes: ['npm', 'npm-dev', 'core', 'npm-no-pkg'], pathNot: NUMERIC },
    },
    {
      name: 'core-schemas-stand-with-entry-kinds',
      severity: 'error',
      from: { path: '^core/', pathNot: '\\.test\\.ts$|^core/log/kinds/' },
      to: { path: 'node_modules/zod/' },
    },
    {
      name: 'contract-imports-core-only',
      severity: 'error',
      from: { path: '^contract/' },
      to: { path: '^(server|web|demo|e2e|bench)/' },
    },
    {
      name: 'demo-imports-core-and-contract',
      severity: 'error',
      from: { path: '^demo/' },
      to: { path: '^(server|web|e2e|bench)/' },
    },
    {
      name: 'server-not-web',
      severity: 'error',
      from: { path: '^server/' },
      to: { path: '^(web|e2e|bench)/' },
    },
    {
      name: 'web-not-server',
      severity: 'error',
      from: { path: '^web/' },
      to: { path: '^(server|demo|e2e|bench)/' },
    },
    {
      name: 'web-interface-packages-only',
      severity: 'error',
      from: { path: '^web/', pathNot: '\\.test\\.tsx?$' },
      to: { dependencyTypes: ['npm', 'core'], pathNot: INTERFACE },
    },
    { name: 'not-to-unresolvable', severity: 'error', from: {}, to: { couldNotResolve: true } },
    {
      name: 'no-test-import',
      severity: 'error',
      from: { pathNot: '\\.test\\.tsx?$' },
      to: { path: '\\.test\\.tsx?$' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '^dist/' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.base.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
      extensions: ['.ts', '.tsx', '.js', '.json'],
    },
  },
};
