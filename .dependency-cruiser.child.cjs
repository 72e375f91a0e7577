/** What a family loads, without types: they weigh nothing. */
const { options } = require('./.dependency-cruiser.cjs');

module.exports = {
  forbidden: [
    {
      name: 'a-childs-page-is-light',
      severity: 'error',
      comment: 'No Joi, form library, chart package or component suite on a page that a family loads.',
      from: { path: '^src/app/(home|layout|error|not-found)' },
      to: { path: 'node_modules/(joi|echarts|react-aria|react-aria-components|react-hook-form|swr|@tanstack)/', reachable: true },
    },
  ],
  options: { ...options, tsPreCompilationDeps: false },
};
