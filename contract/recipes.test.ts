import { existsSync, readFileSync } from 'node:fs';
import { expect, it } from 'vitest';

it('every file that the guide for engineers names is there', () => {
  const guide = readFileSync('CONTRIBUTING.md', 'utf8');
  const named = [...guide.matchAll(/`([a-z]+\/[\w./-]+)`/g)].map(([, path]) => path ?? '');
  expect(named.length).toBeGreaterThan(30);
  expect(named.filter((path) => !existsSync(path))).toEqual([]);
});
