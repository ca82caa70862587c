const { options } = require('./dependency-cruiser.cjs');

/**
 * Rooms of the house: what one uses does not use it back. Tests and what only they use look into
 * several rooms at once, and are left out.
 *
 * @type {import('dependency-cruiser').IConfiguration}
 */
module.exports = {
  forbidden: [
    {
      name: 'no-circles-between-folders',
      scope: 'folder',
      severity: 'error',
      from: {},
      to: { circular: true },
    },
  ],
  options: { ...options, exclude: { path: '^dist/|/fixtures/|\\.test\\.tsx?$' } },
};
