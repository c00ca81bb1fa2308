import { defineConfig } from 'vite'

/** What runs beside the pages: worker threads, the command line and the demo, without a TypeScript runner. */
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
