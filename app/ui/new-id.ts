const BYTES = 16

/** A name nobody else has, 32 hexadecimal digits; a page over plain HTTP has no `crypto.randomUUID`. */
export const newId = (): string =>
  [...crypto.getRandomValues(new Uint8Array(BYTES))]
    .map((byte) => byte.toString(16).padStart(2, '0'))
    .join('')

/** The same as a UUID, as the household's batches are named. */
export const newUuid = (): string =>
  newId().replace(/^(.{8})(.{4}).(.{3}).(.{3})(.{12})$/, '$1-$2-4$3-8$4-$5')
