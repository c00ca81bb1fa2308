/** What a deed is about. */
export type ActionKind = 'pour' | 'soak' | 'heat' | 'minutes' | 'lid' | 'put-in' | 'rest' | 'vent'
