import { MantineProvider } from '@mantine/core'
import type { ReactNode } from 'react'
import { renderToStaticMarkup } from 'react-dom/server'
import { createMemoryRouter, RouterProvider } from 'react-router'
import { planFrom } from '#core/contract/plan'
import type { PlanRequestJson } from '#core/contract/plan-request'
import type { Plan } from '#core/plan/result'

/** A part of the interface as the server writes it. */
export const htmlOf = (node: ReactNode): string =>
  renderToStaticMarkup(
    <MantineProvider env="test">
      <RouterProvider router={createMemoryRouter([{ path: '*', element: node }])} />
    </MantineProvider>,
  )

/** The same as a person reads it: tags gone, spaces single. */
export const textOf = (node: ReactNode): string =>
  htmlOf(node)
    .replace(/<style[^>]*>.*?<\/style>/gs, ' ')
    .replace(/<[^>]+>/g, ' ')
    .replace(/&#x27;/g, "'")
    .replace(/&amp;/g, '&')
    .replace(/\s+/g, ' ')
    .trim()

/** A plan for tests of what shows it. */
export function planOf(request: Partial<PlanRequestJson> = {}): Plan {
  const read = planFrom({
    grains: [{ variety: 'short-white' }],
    amount: { basis: 'dry-mass', value: 300 },
    ...('method' in request || 'vessel' in request ? {} : { vessel: 'heavy-2.5' as const }),
    ...request,
  })
  if (!read.ok) throw new Error(read.errors.map((e) => e.message).join('; '))
  return read.value
}
