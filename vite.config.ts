import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig, type Plugin } from 'vite';

import { BUILD_HEADER } from './contract/headers.ts';

const SERVICE_WORKER = 'service-worker';

/** Tells the service worker which parts the program has, once they all have their names. */
function programParts(): Plugin {
  return {
    name: 'program-parts',
    generateBundle(_options, bundle) {
      const parts = Object.keys(bundle)
        .filter((name) => name.startsWith('assets/'))
        .map((name) => `/${name}`)
        .toSorted();
      const worker = bundle[`${SERVICE_WORKER}.js`];
      if (worker?.type !== 'chunk') throw new Error('the service worker was not built');
      worker.code = worker.code.replaceAll('__PROGRAM_PARTS__', JSON.stringify(parts));
    },
  };
}

const LAYERS = ['contract', 'core', 'demo', 'server', 'web'];

/** Differs when anything does that either build is made of: by it a page knows its own server. */
function buildId(): string {
  const sum = createHash('sha256');
  for (const layer of LAYERS) {
    const files = readdirSync(layer, { recursive: true, withFileTypes: true })
      .filter((one) => one.isFile() && !one.name.endsWith('.test.ts'))
      .map((one) => join(one.parentPath, one.name))
      .toSorted();
    for (const file of files) sum.update(file).update(readFileSync(file));
  }
  return sum.update(readFileSync('package-lock.json')).digest('hex').slice(0, 12);
}

/** Two builds: the pages (default) and, with `--ssr server/main.ts`, the server. */
export default defineConfig(({ isSsrBuild }) => ({
  plugins: isSsrBuild ? [] : [react(), tailwindcss(), programParts()],
  root: isSsrBuild ? '.' : 'web',
  resolve: {
    alias: isSsrBuild
      ? {}
      : {
          '@stdlib/assert-has-generator-support': resolve(
            import.meta.dirname,
            'web/shims/has-generator-support.cjs',
          ),
        },
  },
  define: {
    // Pages and server that are both worked on are of one build, whatever has changed since.
    __BUILD_ID__: JSON.stringify(process.env['KEEN_LIMB_BUILD'] ?? buildId()),
    __BUILD_HEADER__: JSON.stringify(BUILD_HEADER),
  },
  server: {
    // Not the whole of /api: in their folder of that name the pages have modules.
    proxy: {
      '^/api/(bows|strays|health|workshop)': {
        target: process.env['KEEN_LIMB_API'] ?? 'http://localhost:4317',
        // The server answers its own pages only: host and origin have to agree.
        changeOrigin: false,
      },
    },
    // The pages are made of core and contract too, which lie beside their folder.
    fs: { allow: [import.meta.dirname] },
  },
  // The server starts in half the time where its packages are read from one file; those with parts compiled for a
  // machine find them beside themselves, and stay where they are.
  ssr: { noExternal: true, external: ['better-sqlite3', 'sharp'] },
  worker: { format: 'es' },
  build: {
    outDir: isSsrBuild ? 'dist/server' : '../dist/web',
    emptyOutDir: true,
    assetsInlineLimit: 0,
    chunkSizeWarningLimit: 1200,
    rolldownOptions: isSsrBuild
      ? {}
      : {
          input: {
            main: resolve(import.meta.dirname, 'web/index.html'),
            [SERVICE_WORKER]: resolve(import.meta.dirname, 'web/offline/service-worker.ts'),
          },
          output: {
            // A service worker answers for the whole site from its root, under one name for good.
            entryFileNames: (chunk) =>
              chunk.name === SERVICE_WORKER ? '[name].js' : 'assets/[name]-[hash].js',
            // What keeps Zod from compiling has to come before any schema, whichever piece that is in.
            codeSplitting: {
              groups: [{ name: 'zod', test: /node_modules\/zod\/|zod-without-eval/ }],
            },
          },
        },
  },
}));
