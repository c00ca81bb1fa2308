import { useState } from 'react'
import { useSubmit, type SubmitOptions } from 'react-router'
import { newId } from '../new-id'

/**
 * Sends what is no form of the page as one that is sent once: whoever sends it again, by a second press or over
 * a bad line, gets the first answer, and nothing is done twice.
 * @param answered what the last answer was; after another one the next sending is another
 */
export function useSubmitOnce(answered?: unknown) {
  const submit = useSubmit()
  const [id, setId] = useState(newId)
  const [seen, setSeen] = useState(answered)
  if (answered !== seen) {
    setSeen(answered)
    setId(newId())
  }
  return (fields: Record<string, string>, options: SubmitOptions) =>
    submit({ ...fields, form_id: id + (options.action ?? '').replaceAll('/', '-') }, options)
}
