import { resolve } from 'node:path';
import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

/** Two builds: the pages (default) and, with `--ssr server/main.ts`, the server. */
export default defineConfig(({ isSsrBuild }) => ({
  plugins: isSsrBuild ? [] : [react(), tailwindcss()],
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
  },
}));
