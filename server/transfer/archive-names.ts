/** Names of the entries of an exported ZIP. */
export const HEAD_NAME = 'household.json'
export const tableEntry = (table: string): string => `tables/${table}.jsonl`
export const pictureEntry = (id: string): string => `pictures/${id}.jpg`

const TABLE = /^tables\/([a-z_]{1,60})\.jsonl$/
const PICTURE = /^pictures\/([\w-]{1,80})\.jpg$/
/** What an entry is, by its name; undefined for what is not part of an export. */
export function entryOf(name: string): { head: true } | { table: string } | { picture: string } | undefined {
  if (name === HEAD_NAME) return { head: true }
  const [, table] = TABLE.exec(name) ?? []
  if (table !== undefined) return { table }
  const [, picture] = PICTURE.exec(name) ?? []
  return picture === undefined ? undefined : { picture }
}
