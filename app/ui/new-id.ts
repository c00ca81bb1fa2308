const BYTES = 16

/** A name nobody else has, 32 hexadecimal digits; a page over plain HTTP has no `crypto.randomUUID`. */
export const newId = (): string =>
  [...crypto.getRandomValues(new Uint8Array(BYTES))]
    .map((byte) => byte.toString(16).padStart(2, '0'))
    .join('')
