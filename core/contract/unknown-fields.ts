import type * as v from 'valibot'

/** What of a Valibot schema is looked at here: its entries, items, options, or what it wraps. */
interface Shape {
  type: string
  entries?: Record<string, v.GenericSchema>
  item?: v.GenericSchema
  value?: v.GenericSchema
  wrapped?: v.GenericSchema
  options?: readonly v.GenericSchema[]
  pipe?: readonly unknown[]
}

const MAX_LISTED = 20
const MAX_NAME = 60
/** Deeper than any request is nested. */
const MAX_DEPTH = 12

/**
 * Fields of a request that no schema knows. They are read past, so that programs of other versions are answered;
 * saying which they are shows a misspelt one to who wrote it.
 * @param schemas any of which may describe the request
 * @returns paths, "dishes.0.vesel"; twenty at most
 */
export function unknownFields(schemas: readonly v.GenericSchema[], input: unknown): string[] {
  const found: string[] = []
  walk(schemas, input, '', 0, found)
  return found
}

/** The schemas below what only wraps: optional, nullable, a union's options. */
const bare = (schema: v.GenericSchema): Shape[] => {
  const shape = schema as unknown as Shape
  if (shape.wrapped) return bare(shape.wrapped)
  if (shape.options && shape.type === 'union') return shape.options.flatMap(bare)
  return [shape]
}

function walk(
  schemas: readonly v.GenericSchema[],
  input: unknown,
  path: string,
  depth: number,
  found: string[],
): void {
  if (typeof input !== 'object' || input === null || depth > MAX_DEPTH) return
  const shapes = schemas.flatMap(bare)
  if (Array.isArray(input)) {
    const items = shapes.flatMap(({ item }) => item ?? [])
    if (items.length > 0) input.forEach((one, i) => walk(items, one, `${path}${i}.`, depth + 1, found))
    return
  }
  const known = shapes.flatMap(({ entries }) => (entries ? [entries] : []))
  if (known.length === 0) return
  for (const [name, value] of Object.entries(input)) {
    const fits = known.flatMap((entries) => (Object.hasOwn(entries, name) ? entries[name]! : []))
    if (fits.length > 0) walk(fits, value, `${path}${name}.`, depth + 1, found)
    else if (found.length < MAX_LISTED) found.push(`${path}${name.slice(0, MAX_NAME)}`)
  }
}
