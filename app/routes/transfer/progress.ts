import { importProgress } from '#server/commands/transfer'

/** How far the bundle on its way in has come; nothing when none is. */
export const loader = () =>
  Response.json(importProgress() ?? null, { headers: { 'Cache-Control': 'no-store' } })
