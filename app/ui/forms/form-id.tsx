import { useEffect, useRef, useState } from 'react'
import { useNavigation } from 'react-router'
import { newId } from '../new-id'

/**
 * The number of a form that is sent once, as a field of it; once the form was answered, its next sending is
 * another. It is written as text: the number of the page as it was sent must stay, whatever the browser would
 * have made of it.
 */
export function FormId() {
  const [html] = useState(() => ({
    __html: `<input type="hidden" name="form_id" value="${newId()}">`,
  }))
  const holder = useRef<HTMLSpanElement>(null)
  const sent = useRef(false)
  const navigation = useNavigation()
  useEffect(() => {
    const field = holder.current?.querySelector('input')
    if (!field) return
    if (navigation.formData?.get('form_id') === field.value) sent.current = true
    else if (sent.current && navigation.state === 'idle') {
      sent.current = false
      field.value = newId()
    }
  }, [navigation])
  return <span ref={holder} hidden suppressHydrationWarning dangerouslySetInnerHTML={html} />
}
