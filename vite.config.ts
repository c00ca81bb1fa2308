import { reactRouter } from '@react-router/dev/vite'
import { fileURLToPath } from 'node:url'
import { defineConfig, type Plugin } from 'vite'

const PRODUCTION = new Map(
  [
    ['react-router', 'index'],
    ['react-router/dom', 'dom-export'],
  ].map(([name, file]) => [
    name,
    fileURLToPath(new URL(`node_modules/react-router/dist/production/${file}.mjs`, import.meta.url)),
  ]),
)

/** The router's build without development warnings, for browsers; its exports name only the other one. */
const productionRouter: Plugin = {
  name: 'production-router',
  apply: 'build',
  enforce: 'pre',
  resolveId(source) {
    return this.environment.name === 'client' ? PRODUCTION.get(source) : undefined
  },
}

export default defineConfig({
  plugins: [productionRouter, reactRouter()],
  // Terser takes half a minute more than esbuild and saves a browser some 3 % of every script.
  build: {
    minify: 'terser',
    terserOptions: { ecma: 2020, module: true, compress: { passes: 3 }, format: { comments: false } },
  },
  worker: { format: 'es' },
  // Named here because a dependency found late makes the dev server load a second copy of React.
  optimizeDeps: {
    include: [
      '@mantine/core',
      '@mantine/hooks',
      '@tabler/icons-react',
      'valibot',
      'uuid',
      'recharts',
      '@date-fns/tz',
      'qrcode.react',
    ],
    exclude: ['better-sqlite3'],
  },
})
