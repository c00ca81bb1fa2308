import type { Route } from './+types/model'
import { modelDocument } from './document.server'
import classes from './model.module.css'

export const meta: Route.MetaFunction = () => [{ title: 'How the model works · Omsel' }]

export const loader = () => ({ html: modelDocument() })

/** How everything is computed, and what it is tested against: the same text as docs/model.md. */
export default function Model({ loaderData }: Route.ComponentProps) {
  // The text is ours, read when the app was built.
  return <main className={`place ${classes.model}`} dangerouslySetInnerHTML={{ __html: loaderData.html }} />
}
