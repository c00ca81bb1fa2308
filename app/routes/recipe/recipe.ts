import { recipeCalendar, recipeLd, recipeMarkdown } from '#server/transfer/recipe'
import type { Route } from './+types/recipe'
import { recipeOf } from './recipe-of.server'

const FORMS = ['recipe.json', 'recipe.md', 'recipe.ics'] as const

/** A plan as a download: as schema.org's Recipe, as Markdown, as a calendar. */
export async function loader({ params, request }: Route.LoaderArgs) {
  const form = FORMS.find((f) => f === params.form)
  if (!form) throw new Response(`There is no such form; one of ${FORMS.join(', ')}.`, { status: 404 })
  const { plan, named, startMs, uid } = await recipeOf(new URL(request.url).searchParams)
  const sent = (text: string, type: string) =>
    new Response(text, {
      headers: {
        'Content-Type': `${type}; charset=utf-8`,
        'Content-Disposition': `attachment; filename="${form}"`,
        'Cache-Control': 'no-store',
      },
    })
  if (form === 'recipe.json')
    return sent(JSON.stringify(recipeLd(plan, named), null, 2), 'application/ld+json')
  if (form === 'recipe.md') return sent(recipeMarkdown(plan, named), 'text/markdown')
  return sent(recipeCalendar(plan, named, startMs, uid), 'text/calendar')
}
