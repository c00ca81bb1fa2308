import { bundleSchema } from '#server/transfer/export-bundle'

/** The JSON Schema of a household's export. */
export const loader = () =>
  Response.json(bundleSchema(), {
    headers: { 'Content-Type': 'application/schema+json; charset=utf-8', 'Cache-Control': 'no-cache' },
  })
