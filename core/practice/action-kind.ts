/** What a deed is about. */
export type DeedKind = 'pour' | 'soak' | 'heat' | 'minutes' | 'lid' | 'put-in' | 'rest' | 'vent'
