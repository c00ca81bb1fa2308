import { redirect } from 'react-router'
import { saveStart, type LocalStart, type ShownStart } from './local-starts'

/**
 * Starts a batch on this device, as the plan page meant to send it.
 * @param form of the plan page: `cook` is what the server is sent, `shown` what the stove shows of it
 * @throws the failure itself, where something else was sent
 */
export function startHere(form: FormData, failure: unknown): Response {
  if (form.get('intent') !== 'start') throw failure
  const { id, ...start } = JSON.parse(String(form.get('cook'))) as { id: string } & LocalStart['start']
  const shown = JSON.parse(String(form.get('shown'))) as ShownStart
  saveStart({ id, start, shown, startedMs: Date.now() })
  return redirect(`/stove/${id}`)
}
