import type { Config } from '@react-router/dev/config'

export default {
  ssr: true,
  // All routes are known from the first page on, so that a lost line never stops a screen from finding its way.
  routeDiscovery: { mode: 'initial' },
  future: {
    v8_middleware: true,
    v8_splitRouteModules: true,
    v8_viteEnvironmentApi: true,
    v8_passThroughRequests: true,
    v8_trailingSlashAwareDataRequests: true,
  },
} satisfies Config
