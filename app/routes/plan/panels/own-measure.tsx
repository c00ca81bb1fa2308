import { UnstyledButton } from '@mantine/core'
import { useEffect, useState } from 'react'
import { useFetcher } from 'react-router'
import type { Refused } from '../../../ui/forms/errors'
import { MeasureForm } from '../../pots/measure-form'

interface OwnMeasureProps {
  /** Ids of the kitchen's own measures. */
  ids: readonly string[]
  /** A measure was added: its id. */
  onAdded: (id: string) => void
}

/** A cup, mug or bowl of one's own, weighed full or filled with a known one, without leaving the plan. */
export function OwnMeasure({ ids, onAdded }: OwnMeasureProps) {
  const [asked, setAsked] = useState<readonly string[]>()
  const fetcher = useFetcher<Refused | { said: string }>()
  const refused = fetcher.data && 'errors' in fetcher.data ? fetcher.data : undefined
  const added = asked && ids.find((id) => !asked.includes(id))
  useEffect(() => {
    if (added === undefined) return
    setAsked(undefined)
    onAdded(added)
  }, [added, onAdded])
  return asked ? (
    <MeasureForm
      measure={undefined}
      refused={refused}
      as={fetcher.Form}
      action="/pots"
      sending={fetcher.state !== 'idle'}
    />
  ) : (
    <UnstyledButton className="link" onClick={() => setAsked(ids)}>
      your own cup, mug or bowl
    </UnstyledButton>
  )
}
