import { spawnSync } from 'node:child_process';
import {
  cpSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  rmSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join, relative, resolve } from 'node:path';
import { expect, test } from '@playwright/test';
import ts from 'typescript';

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

/** Every rule broken once, each in a file of its own: what the check has to say of which file. */
const BROKEN: readonly (readonly [rule: string, file: string, text: string])[] = [
  [
    'core-imports-nothing-of-ours',
    'core/ours.ts',
    "export { server } from '../server/thing.ts';\n",
  ],
  ['core-numeric-packages-only', 'core/page.ts', "export { useState } from 'react';\n"],
  ['core-numeric-packages-only', 'core/disk.ts', "export { readFileSync } from 'node:fs';\n"],
  ['contract-imports-core-only', 'contract/web.ts', "export { web } from '../web/thing.ts';\n"],
  ['web-not-server', 'web/server.ts', "export { server } from '../server/thing.ts';\n"],
  ['server-not-web', 'server/web.ts', "export { web } from '../web/thing.ts';\n"],
  ['web-interface-packages-only', 'web/express.ts', "export { default } from 'express';\n"],
  ['core-schemas-stand-with-entry-kinds', 'core/advice/zod.ts', "export { z } from 'zod';\n"],
  ['demo-imports-core-and-contract', 'demo/web.ts', "export { web } from '../web/thing.ts';\n"],
  ['demo-imports-core-and-contract', 'demo/e2e.ts', "export { e2e } from '../e2e/thing.ts';\n"],
  ['server-not-web', 'server/bench.ts', "export { bench } from '../bench/thing.ts';\n"],
  ['web-not-server', 'web/demo.ts', "export { demo } from '../demo/thing.ts';\n"],
  ['not-to-unresolvable', 'web/lost.ts', "export { none } from './none.ts';\n"],
  ['no-test-import', 'core/told.ts', "export { told } from './told.test.ts';\n"],
  ['no-circular', 'core/other.ts', "export { round as a } from './round.ts';\n"],
];

test('the layer check names every broken rule with the file that breaks it', () => {
  test.setTimeout(120_000);
  const planted = checkWith({
    ...Object.fromEntries(BROKEN.map(([, file, text]) => [file, text])),
    'core/told.test.ts': 'export const told = 1;\n',
    'core/round.ts': "import { a } from './other.ts';\nexport const round = a;\n",
  });
  expect(planted.status).not.toBe(0);
  for (const [rule, file] of BROKEN)
    expect(
      planted.said.split('\n').some((line) => line.includes(`${rule}: `) && line.includes(file)),
      `${rule} in ${file}:\n${planted.said}`,
    ).toBe(true);
});

test('the layer check fails on a folder of core that has grown too large', () => {
  const lines = (count: number) =>
    Array.from({ length: count }, (_, at) => `export const n${at} = ${at};`).join('\n');
  expect(checkWith({ 'core/room/one.ts': lines(2000) }).status).toBe(0);
  const planted = checkWith({ 'core/room/one.ts': lines(1001), 'core/room/two.ts': lines(1000) });
  expect(planted.status).not.toBe(0);
  expect(planted.said).toContain('folder-too-large: core/room: 2001 lines');
});

test('the layer check fails on one broken rule by itself', () => {
  const [[rule, file, text] = ['', '', '']] = BROKEN;
  const planted = checkWith({ [file]: text });
  expect(planted.status).not.toBe(0);
  expect(planted.said).toContain(rule);
});

/** The house with planted files in it, given to the compiler and the linter as the real ones are. */
function housePlanted(planted: Readonly<Record<string, string>>) {
  const folder = mkdtempSync(join(tmpdir(), 'keen-limb-planted-'));
  for (const name of [
    'core',
    'contract',
    'tsconfig.base.json',
    'tsconfig.test.json',
    'package.json',
    'eslint.config.js',
  ])
    cpSync(name, join(folder, name), { recursive: true });
  symlinkSync(resolve('node_modules'), join(folder, 'node_modules'));
  for (const [file, text] of Object.entries(planted)) writeFileSync(join(folder, file), text);
  const run = (command: string, args: readonly string[]) =>
    spawnSync(resolve('node_modules/.bin', command), args, { cwd: folder, encoding: 'utf8' })
      .stdout;
  return { run, end: () => rmSync(folder, { recursive: true, force: true }) };
}

/** What core may not name: neither what a page has, nor what Node has, nor a clock, nor chance. */
const IMPURE: readonly (readonly [name: string, line: string])[] = [
  ['console', 'console.log(1);'],
  ['process', 'process.exit(0);'],
  ['performance', 'export const now = performance.now();'],
  ['Date', 'export const then = Date.now();'],
  ['Intl', 'export const shown = new Intl.NumberFormat().format(1);'],
  ['Buffer', "export const bytes = Buffer.from('x');"],
  ['setTimeout', 'setTimeout(() => undefined, 1);'],
  ['queueMicrotask', 'queueMicrotask(() => undefined);'],
  ['fetch', "void fetch('/');"],
  ['crypto', 'export const id = crypto.randomUUID();'],
  ['globalThis', 'export const all = globalThis;'],
];
/** Known to the language itself, so that only the linter can refuse them. */
const OF_THE_LANGUAGE = ['Date', 'Intl', 'globalThis'];

test('core can name neither console nor process nor a clock: the compiler or the linter refuses', () => {
  test.setTimeout(180_000);
  const planted = {
    'core/planted.ts': [
      ...IMPURE.map(([, line]) => line),
      'export const chance = Math.random();',
      'export const page: HTMLElement | null = document.body;',
      'export type Stats = NodeJS.MemoryUsage;',
      '',
    ].join('\n'),
  };
  const compiled = compilerOf('core/planted.ts')(planted).join('\n');
  for (const [name] of IMPURE)
    if (!OF_THE_LANGUAGE.includes(name)) expect(compiled).toContain(`Cannot find name '${name}'`);
  for (const name of ['HTMLElement', 'document'])
    expect(compiled).toContain(`Cannot find name '${name}'`);
  expect(compiled).toContain("Cannot find namespace 'NodeJS'");
  const house = housePlanted(planted);
  const linted = house.run('eslint', ['core/planted.ts']);
  for (const [name] of IMPURE) expect(linted).toContain(`Unexpected use of '${name}'`);
  expect(linted).toContain("'Math.random' is restricted");
  house.end();
});

test('what is decided on a sentence, too long or takes too much is refused by the linter', () => {
  test.setTimeout(180_000);
  const longFunction = (lines: number) =>
    `export function long(): number {\n  let sum = 0;\n${'  sum += 1;\n'.repeat(lines)}  return sum;\n}\n`;
  const shown = 'interface Shown { readonly words: string; readonly title: string }\n';
  const planted = {
    'core/asks.ts': `${shown}export const isOut = (one: Shown) => one.words === 'outside the limits';\n`,
    'core/holds.ts': `${shown}export const isStop = (one: Shown) => one.title.startsWith('Stop');\n`,
    'core/switches.ts': `${shown}export function kind(one: Shown): number {\n  switch (one.words) {\n    case 'holds':\n      return 1;\n    default:\n      return 0;\n  }\n}\n`,
    'core/shows.ts': `${shown}export const isSaid = (one: Shown) => one.words !== '';\n`,
    'core/long.ts': longFunction(119),
    'core/wide.ts':
      'export const wide = (a: number, b: number, c: number, d: number, e: number, f: number) =>\n  a + b + c + d + e + f;\n',
    'core/tall.ts': Array.from({ length: 351 }, (_, at) => `export const n${at} = ${at};\n`).join(
      '',
    ),
  };
  const house = housePlanted(planted);
  const files = Object.keys(planted);
  const reports = JSON.parse(house.run('eslint', ['--format', 'json', ...files])) as {
    filePath: string;
    messages: { ruleId: string; message: string }[];
  }[];
  const said = (file: string) =>
    (reports.find(({ filePath }) => filePath.endsWith(file))?.messages ?? [])
      .map(({ ruleId, message }) => `${ruleId} ${message}`)
      .join();
  for (const file of ['core/asks.ts', 'core/holds.ts', 'core/switches.ts'])
    expect(said(file), file).toContain('decide on data');
  // Whether there is anything to say may be asked.
  expect(said('core/shows.ts')).toBe('');
  expect(said('core/long.ts')).toContain('max-lines-per-function');
  expect(said('core/wide.ts')).toContain('max-params');
  expect(said('core/tall.ts')).toContain('max-lines');
  house.end();
});

test('a schema wider or narrower than its type, or a kind of entry without a file, does not compile', () => {
  test.setTimeout(180_000);
  const kinds = 'core/log/kinds';
  const changed = (file: string, from: string, to: string) => {
    const text = readFileSync(file, 'utf8');
    expect(text).toContain(from);
    return { [file]: text.replace(from, to) };
  };
  const compile = compilerOf(kinds);
  expect(compile({})).toEqual([]);
  for (const planted of [
    changed(`${kinds}/reading.ts`, '    tool: text,', '    tool: text.optional(),'),
    changed(`${kinds}/fact-parts.ts`, 'twists: z.int', 'twist: z.int'),
    changed(`${kinds}/shots-fired.ts`, '    note: text,\n', ''),
    changed(`${kinds}/entry-kinds.ts`, '  note,\n', ''),
    changed(
      'core/log/entry.ts',
      "| { readonly kind: 'shotsFired';",
      "| { readonly kind: 'planted' } | { readonly kind: 'shotsFired';",
    ),
  ])
    expect(compile(planted), Object.keys(planted).join()).not.toEqual([]);
  // As it was: what was planted was to blame.
  expect(compile({})).toEqual([]);
});

/**
 * The compiler with core's own settings, files planted in what it reads: what it has against the files
 * with this in their path. Between two questions it keeps what did not change.
 */
function compilerOf(part: string) {
  const { config } = ts.readConfigFile('core/tsconfig.json', (file) => ts.sys.readFile(file)) as {
    config: object;
  };
  const { options, fileNames } = ts.parseJsonConfigFileContent(config, ts.sys, resolve('core'));
  let planted: Readonly<Record<string, string>> = {};
  const sources = new Map<string, ts.SourceFile>();
  const disk = ts.createCompilerHost(options);
  const host: ts.CompilerHost = {
    ...disk,
    getSourceFile: (file, ...how) => {
      const text = planted[relative(process.cwd(), file)];
      if (text !== undefined) return ts.createSourceFile(file, text, how[0]);
      const known = sources.get(file) ?? disk.getSourceFile(file, ...how);
      if (known !== undefined) sources.set(file, known);
      return known;
    },
  };
  let program: ts.Program | undefined;
  return (files: Readonly<Record<string, string>>): readonly string[] => {
    planted = files;
    program = ts.createProgram({
      rootNames: [...fileNames, ...Object.keys(files).map((file) => resolve(file))],
      options: { ...options, noEmit: true, composite: false, emitDeclarationOnly: false },
      host,
      ...(program === undefined ? {} : { oldProgram: program }),
    });
    const checked = program;
    return checked
      .getSourceFiles()
      .filter(({ fileName }) => fileName.includes(part))
      .flatMap((file) => checked.getSemanticDiagnostics(file))
      .map(({ messageText }) => ts.flattenDiagnosticMessageText(messageText, '\n'));
  };
}

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
