import { spawnSync } from 'node:child_process';
import { cpSync, mkdirSync, mkdtempSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join, resolve } from 'node:path';
import { expect, test } from '@playwright/test';

const LAYERS = ['core', 'contract', 'server', 'web', 'demo', 'e2e', 'bench'];

/** Runs the layer check on a small house of its own with one planted file. */
function checkWith(
  file: string,
  text: string,
): { readonly status: number | null; readonly said: string } {
  const folder = mkdtempSync(join(tmpdir(), 'keen-limb-layers-'));
  for (const name of ['dependency-cruiser.cjs', 'tsconfig.base.json', 'package.json'])
    cpSync(name, join(folder, name));
  symlinkSync(resolve('node_modules'), join(folder, 'node_modules'));
  for (const layer of LAYERS) {
    mkdirSync(join(folder, layer), { recursive: true });
    writeFileSync(join(folder, layer, 'thing.ts'), `export const ${layer} = 1;\n`);
  }
  mkdirSync(dirname(join(folder, file)), { recursive: true });
  writeFileSync(join(folder, file), text);
  const { status, stdout } = spawnSync(process.execPath, [resolve('scripts/check-layers.mjs')], {
    cwd: folder,
    encoding: 'utf8',
  });
  rmSync(folder, { recursive: true, force: true });
  return { status, said: stdout };
}

test('a house in order passes the layer check', () => {
  expect(
    checkWith('core/fine.ts', "import { core } from './thing.ts';\nexport const fine = core;\n")
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
        ? checkWith(
            'core/other.ts',
            "export { other as a } from './other.ts';\nexport const other = 1;\n",
          )
        : checkWith(file, text);
    expect(planted.status).not.toBe(0);
    expect(planted.said).toContain(rule);
  });
}
