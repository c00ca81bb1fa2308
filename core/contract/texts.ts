import * as v from 'valibot'
import { atMost, oneLine } from './fields'

/** A name that a cook gives: one line of text.  @param most characters  @param empty what is said of none */
export const nameText = (most: number, empty = 'is empty; any name will do') =>
  v.pipe(v.string('is required'), v.trim(), v.nonEmpty(empty), oneLine, atMost(most))

/** A line that may be empty, "whom it is for". */
export const lineText = (most: number) => v.pipe(v.string('must be text'), v.trim(), oneLine, atMost(most))
