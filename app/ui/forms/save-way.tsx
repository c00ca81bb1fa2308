import { Group, TextInput } from '@mantine/core'
import { useState } from 'react'
import { useFetcher } from 'react-router'
import { SAVED_WAY_LIMITS } from '#core/contract/bundle-names'
import { errorAt, type Refused } from './errors'
import { SendButton } from './send-button'

type SavedAnswer = { saved: string; replaced: boolean } | Refused

/** Saves a plan, with steps as they were stated, under a name. */
export default function SaveWay({ search, steps }: { search: string; steps?: string }) {
  const fetcher = useFetcher<SavedAnswer>()
  const [name, setName] = useState('')
  const answer = fetcher.data
  const refused = answer && 'errors' in answer ? answer : undefined
  return (
    <fetcher.Form method="post" action="/my-way">
      <input type="hidden" name="intent" value="save" />
      <input type="hidden" name="search" value={search} />
      {steps !== undefined && <input type="hidden" name="steps" value={steps} />}
      <Group align="flex-end" gap="xs" wrap="nowrap">
        <TextInput
          name="name"
          label="Save under a name"
          placeholder="Sunday rice"
          maxLength={SAVED_WAY_LIMITS.name}
          value={name}
          onChange={(event) => setName(event.currentTarget.value)}
          error={errorAt(refused, 'name')}
          data-autofocus
        />
        <SendButton type="submit" variant="default" busy={fetcher.state !== 'idle'}>
          Save
        </SendButton>
      </Group>
      <p role="status" className="quiet small">
        {answer && 'saved' in answer
          ? `“${answer.saved}” is ${answer.replaced ? 'replaced' : 'saved'}. Find it by its name, or under “Does my way work?”.`
          : ''}
      </p>
    </fetcher.Form>
  )
}
