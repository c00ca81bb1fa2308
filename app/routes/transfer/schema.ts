import { bundleSchema } from '#server/transfer/export-bundle'

/** What a household's document must look like. */
export const loader = () =>
  Response.json(bundleSchema(), {
    headers: { 'Content-Type': 'application/schema+json; charset=utf-8', 'Cache-Control': 'no-cache' },
  })
