import { defineConfig } from 'vite'

/** The programs that are not pages (worker threads, command line, demo), without a TypeScript runner. */
export default defineConfig({
  publicDir: false,
  build: {
    ssr: true,
    target: 'node20',
    outDir: 'build/node',
    minify: false,
    rollupOptions: {
      input: {
        worker: 'server/api/worker.ts',
        omsel: 'cli/omsel.ts',
        demo: 'demo/main.ts',
      },
    },
  },
})
