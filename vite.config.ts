import { reactRouter } from '@react-router/dev/vite'
import { createHash } from 'node:crypto'
import { relative } from 'node:path'
import { fileURLToPath } from 'node:url'
import { defineConfig, type Plugin, type Rollup } from 'vite'

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

const ROOT = fileURLToPath(new URL('.', import.meta.url))

/** Everything a module imports at its head, itself included. */
function importsOf(start: string, meta: Rollup.ManualChunkMeta, found = new Set<string>()): Set<string> {
  if (found.has(start)) return found
  found.add(start)
  for (const id of meta.getModuleInfo(start)?.importedIds ?? []) importsOf(id, meta, found)
  return found
}

/** Of Mantine, what every page uses. */
const COMPONENTS = /@mantine\/core\/esm\/(core|components\/(Text|UnstyledButton))\//

/** Everything the routes' own modules of a file import at their heads. */
const importsOfRoute = (file: RegExp, meta: Rollup.ManualChunkMeta): Set<string> =>
  new Set(
    [...meta.getModuleIds()].filter((name) => file.test(name)).flatMap((name) => [...importsOf(name, meta)]),
  )

const ICONS = /@tabler\/icons-react\//

const ENTRY = /entry\.client\.tsx$/
const OF_PLAN = /\/app\/routes\/plan\/[\w-]+\.module\.css$/
const STYLES = /\.module\.css$/
const BUTTON = /@mantine\/core\/esm\/components\/Button\/|\/app\/ui\/forms\/send-button/

let ofPlan: Set<string> | undefined
let ofLayout: Set<string> | undefined
/**
 * What comes with every page, and what the plan page needs when it is used, in a few files instead of thirty: one text
 * compresses better than its pieces.
 * @returns the chunk a module belongs to; undefined leaves it to Rollup
 */
const manualChunks: Rollup.ManualChunksOption = (id, meta) => {
  ofPlan ??= importsOfRoute(/routes\/plan\/plan-page\.tsx$/, meta)
  ofLayout ??= importsOfRoute(/app\/((layout\/layout|root)\.tsx\?.*client-route|entry\.client\.tsx)$/, meta)
  const ours = id.startsWith(`${ROOT}app/`) || id.startsWith(`${ROOT}core/`)
  // The frame around every page.
  if (ofLayout.has(id) && !ENTRY.test(id) && (ours || ICONS.test(id))) return 'frame'
  // Two that always come together: every page lists its files.
  if (BUTTON.test(id)) return 'button'
  if ((ofLayout.has(id) || ofPlan.has(id)) && COMPONENTS.test(id)) return 'components'
  // The page is shown in its styles, those of its lazy parts too, long before it is used.
  if (STYLES.test(id) && (OF_PLAN.test(id) || (ours && ofPlan.has(id)))) return 'plan-styles'
  if (!ofPlan.has(id)) return undefined
  if (id.startsWith(`${ROOT}core/`)) return 'core'
  return id.startsWith(`${ROOT}app/ui/`) || id.startsWith(`${ROOT}app/planning/`) ? 'planning' : undefined
}

/** Puts the chunks above into the browsers' build alone. */
const fewerFiles: Plugin = {
  name: 'fewer-files',
  apply: 'build',
  configEnvironment(name) {
    return name === 'client'
      ? { build: { rollupOptions: { output: { manualChunks, onlyExplicitManualChunks: true } } } }
      : undefined
  },
}

/**
 * A part that is fetched later names the frame's styles as the page does, whose router ends their address with "#".
 * Else they are taken for other ones and put after the styles of the page, which they would undo.
 */
const frameStylesOnce: Plugin = {
  name: 'frame-styles-once',
  apply: 'build',
  applyToEnvironment: ({ name }) => name === 'client',
  generateBundle: {
    order: 'post',
    handler(_, bundle) {
      for (const file of Object.values(bundle))
        if (file.type === 'chunk')
          file.code = file.code.replace(/(__vite__mapDeps=.*?"assets\/frame-\w+\.css)"/, '$1#"')
    },
  },
}

const shorter = <T>(
  names: string | ((info: T) => string) | undefined,
): string | ((info: T) => string) | undefined =>
  typeof names === 'function'
    ? (info) => names(info).replace('[hash]', '[hash:7]')
    : names?.replace('[hash]', '[hash:7]')

/** Every page lists the files of all pages, and what is random in their names cannot be packed. */
const shortNames: Plugin = {
  name: 'short-names',
  apply: 'build',
  applyToEnvironment: ({ name }) => name === 'client',
  outputOptions: (options) => ({
    ...options,
    entryFileNames: shorter(options.entryFileNames),
    chunkFileNames: shorter(options.chunkFileNames),
    assetFileNames: shorter(options.assetFileNames),
    hashCharacters: 'base36',
  }),
}

/** A class by its name and its file: the same four letters through a file pack well. */
const scopedName = (name: string, file: string): string => {
  const place = relative(ROOT, file.split('?')[0]!)
  return `${name}-${createHash('sha256').update(place).digest('hex').slice(0, 4)}`
}

export default defineConfig({
  plugins: [productionRouter, fewerFiles, reactRouter(), shortNames, frameStylesOnce],
  css: { modules: { generateScopedName: scopedName } },
  // Terser takes half a minute more than esbuild and saves a browser some 3 % of every script.
  build: {
    minify: 'terser',
    terserOptions: { ecma: 2020, module: true, compress: { passes: 3 }, format: { comments: false } },
  },
  worker: { format: 'es' },
  // Of these the server takes what it uses; loaded whole, they hold a hundred megabytes.
  ssr: { noExternal: [/^@mantine\//, '@tabler/icons-react', 'recharts'] },
  // Named here because a dependency found late makes the dev server load a second copy of React.
  optimizeDeps: {
    include: [
      '@mantine/core',
      '@mantine/hooks',
      '@tabler/icons-react',
      'valibot',
      'recharts',
      '@date-fns/tz',
      'qrcode.react',
    ],
    exclude: ['better-sqlite3'],
  },
})
