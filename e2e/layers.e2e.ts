import { spawnSync } from 'node:child_process';
import { cpSync, mkdirSync, mkdtempSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join, resolve } from 'node:path';
import { expect, test } from '@playwright/test';

const LAYERS = ['core', 'contract', 'server', 'web', 'demo', 'e2e', 'bench'];

/** Runs the layer check on a small house of its own with files planted in it. */
function checkWith(planted: Readonly<Record<string, string>>): {
  readonly status: number | null;
  readonly said: string;
} {
  const folder = mkdtempSync(join(tmpdir(), 'keen-limb-layers-'));
  for (const name of [
    'dependency-cruiser.cjs',
    'dependency-cruiser.folders.cjs',
    'tsconfig.base.json',
    'package.json',
  ])
    cpSync(name, join(folder, name));
  symlinkSync(resolve('node_modules'), join(folder, 'node_modules'));
  for (const layer of LAYERS) {
    mkdirSync(join(folder, layer), { recursive: true });
    writeFileSync(join(folder, layer, 'thing.ts'), `export const ${layer} = 1;\n`);
  }
  for (const [file, text] of Object.entries(planted)) {
    mkdirSync(dirname(join(folder, file)), { recursive: true });
    writeFileSync(join(folder, file), text);
  }
  const { status, stdout } = spawnSync(process.execPath, [resolve('scripts/check-layers.mjs')], {
    cwd: folder,
    encoding: 'utf8',
  });
  rmSync(folder, { recursive: true, force: true });
  return { status, said: stdout };
}

test('a house in order passes the layer check', () => {
  expect(
    checkWith({ 'core/fine.ts': "import { core } from './thing.ts';\nexport const fine = core;\n" })
      .status,
  ).toBe(0);
});

for (const [rule, file, text] of [
  ['core-imports-nothing-of-ours', 'core/bad.ts', "export { server } from '../server/thing.ts';\n"],
  ['core-numeric-packages-only', 'core/bad.ts', "export { useState } from 'react';\n"],
  ['core-numeric-packages-only', 'core/bad.ts', "export { readFileSync } from 'node:fs';\n"],
  ['contract-imports-core-only', 'contract/bad.ts', "export { web } from '../web/thing.ts';\n"],
  ['web-not-server', 'web/bad.ts', "export { server } from '../server/thing.ts';\n"],
  ['server-not-web', 'server/bad.ts', "export { web } from '../web/thing.ts';\n"],
  ['web-interface-packages-only', 'web/bad.ts', "export { default } from 'express';\n"],
  ['no-circular', 'core/thing.ts', "import { a } from './other.ts';\nexport const core = a;\n"],
] as const) {
  test(`the layer check fails on ${rule} (${file}: ${text.trim().slice(-18)})`, () => {
    const planted =
      rule === 'no-circular'
        ? checkWith({
            'core/other.ts': "export { other as a } from './other.ts';\nexport const other = 1;\n",
          })
        : checkWith({ [file]: text });
    expect(planted.status).not.toBe(0);
    expect(planted.said).toContain(rule);
  });
}

/** Core as it is, with one planted file, given to the compiler and the linter. */
test('core can name neither console nor process nor a clock: the compiler or the linter refuses', () => {
  test.setTimeout(180_000);
  const folder = mkdtempSync(join(tmpdir(), 'keen-limb-core-'));
  cpSync('core', join(folder, 'core'), { recursive: true });
  cpSync('tsconfig.base.json', join(folder, 'tsconfig.base.json'));
  cpSync('package.json', join(folder, 'package.json'));
  cpSync('eslint.config.js', join(folder, 'eslint.config.js'));
  symlinkSync(resolve('node_modules'), join(folder, 'node_modules'));
  writeFileSync(
    join(folder, 'core', 'planted.ts'),
    [
      'console.log(1);',
      'process.exit(0);',
      'export const now = performance.now();',
      'export const then = Date.now();',
      "export const bytes = Buffer.from('x');",
      '',
    ].join('\n'),
  );
  const run = (command: string, args: readonly string[]) =>
    spawnSync(resolve('node_modules/.bin', command), args, { cwd: folder, encoding: 'utf8' });
  const compiled = run('tsc', ['-p', 'core', '--noEmit', '--pretty', 'false']);
  for (const name of ['console', 'process', 'performance', 'Buffer'])
    expect(compiled.stdout).toContain(`Cannot find name '${name}'`);
  const linted = run('eslint', ['core/planted.ts']);
  for (const name of ['console', 'process', 'performance', 'Date', 'Buffer'])
    expect(linted.stdout).toContain(`Unexpected use of '${name}'`);
  rmSync(folder, { recursive: true, force: true });
});

test('the layer check fails on a circle between folders that no two files make', () => {
  const { status, said } = checkWith({
    'core/rooms/one/a.ts': "export { b } from '../other/b.ts';\n",
    'core/rooms/one/c.ts': 'export const c = 1;\n',
    'core/rooms/other/b.ts': 'export const b = 1;\n',
    'core/rooms/other/d.ts': "export { c } from '../one/c.ts';\n",
  });
  expect(status).not.toBe(0);
  expect(said).toContain('no-circles-between-folders');
});
