import { existsSync, readFileSync } from 'node:fs';
import { relative, resolve } from 'node:path';
import ts from 'typescript';
import { RECIPES } from './recipe-steps.mjs';

/**
 * Every recipe of CONTRIBUTING.md written at once, in memory: the house still passes its types. A table
 * that came since, and that a recipe does not name, is found here at once; `npm run recipes` proves the
 * rest, that nothing a recipe names may be left out, and takes ten minutes.
 */
const written = new Map();
for (const steps of Object.values(RECIPES))
  for (const [file, edit] of steps) {
    const path = resolve(file);
    const text = written.get(path) ?? (existsSync(path) ? readFileSync(path, 'utf8') : '');
    written.set(path, edit(text));
  }

const { config } = ts.readConfigFile('web/tsconfig.json', ts.sys.readFile);
const { options, fileNames } = ts.parseJsonConfigFileContent(
  {
    ...config,
    include: ['../core/**/*.ts', '../contract/**/*.ts', '../web/**/*.ts', '../web/**/*.tsx'],
    exclude: ['../*/**/*.test.*', '../web/offline'],
  },
  ts.sys,
  resolve('web'),
);
const flat = {
  ...options,
  noEmit: true,
  composite: false,
  emitDeclarationOnly: false,
  incremental: false,
};
const host = ts.createCompilerHost({ ...flat, tsBuildInfoFile: undefined });
const { readFile, fileExists } = host;
host.readFile = (path) => written.get(resolve(path)) ?? readFile(path);
host.fileExists = (path) => written.has(resolve(path)) || fileExists(path);
// A folder that only a recipe makes.
host.directoryExists = undefined;
host.getSourceFile = (path, languageVersion) => {
  const text = host.readFile(path);
  return text === undefined ? undefined : ts.createSourceFile(path, text, languageVersion);
};
const sources = [...written.keys()].filter(
  (path) => !/\.test\.|\/bench\//.test(relative('.', path)),
);
const program = ts.createProgram(
  [...new Set([...fileNames, ...sources])],
  { ...flat, tsBuildInfoFile: undefined },
  host,
);
const faults = ts.getPreEmitDiagnostics(program);
for (const { file, start, messageText } of faults) {
  const at =
    file === undefined
      ? ''
      : `${relative('.', file.fileName)}(${file.getLineAndCharacterOfPosition(start ?? 0).line + 1}): `;
  console.log(`${at}${ts.flattenDiagnosticMessageText(messageText, '\n').slice(0, 300)}`);
}
console.log(
  faults.length === 0
    ? `${Object.keys(RECIPES).length} recipes written at once: the types hold`
    : `${faults.length} places no recipe names`,
);
process.exit(faults.length === 0 ? 0 : 1);
