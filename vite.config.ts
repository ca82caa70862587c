import { resolve } from 'node:path';
import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig, type Plugin } from 'vite';

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
          },
        },
  },
}));
