import { index, layout, route, type RouteConfig } from '@react-router/dev/routes'

export default [
  layout('routes/house/house.tsx', [
    index('routes/bench/bench.tsx'),
    route('stove', 'routes/stove/burners.tsx'),
    route('stove/:cook', 'routes/stove/stove.tsx'),
    route('notebook', 'routes/notebook/notebook.tsx'),
    route('notebook/:cook', 'routes/notebook/page.tsx'),
    route('compare', 'routes/compare/compare.tsx'),
    route('dry-run', 'routes/dry-run/dry-run.tsx'),
    route('model', 'routes/model/model.tsx'),
    route('by', 'routes/by/by.tsx'),
    route('shelf', 'routes/shelf/shelf.tsx'),
    route('pots', 'routes/pots/pots.tsx'),
    route('settings', 'routes/settings/settings.tsx'),
  ]),
  route('cooks/:cook/events', 'routes/cooks/events.ts'),
  route('cooks/:cook/changes', 'routes/cooks/changes.ts'),
] satisfies RouteConfig
