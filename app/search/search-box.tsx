import { VisuallyHidden } from '@mantine/core'
import { Spotlight, createSpotlight, useSpotlight, type SpotlightStore } from '@mantine/spotlight'
import { useBackCloses } from '../ui/overlay/back-closes'
import '@mantine/spotlight/styles.css'
import { useEffect, useState } from 'react'
import { useFetcher, useNavigate } from 'react-router'
import { matching, type SearchEntry } from './match'
import { PLACES } from './places'
import classes from './search-box.module.css'

const [store, spotlight] = createSpotlight()
const MAX_AT_FIRST = 6

/**
 * Finds grains, pots, cooks, places and things to do by their words.
 * @param asked grows by one whenever it is to open
 */
export default function FindBox({ asked }: { asked: number }) {
  const [query, setQuery] = useState('')
  const fetcher = useFetcher<{ asked: string; found: SearchEntry[] }>()
  const navigate = useNavigate()
  useEffect(() => {
    if (asked > 0) spotlight.open()
  }, [asked])
  const ask = (next: string) => {
    setQuery(next)
    if (next.trim() !== '') void fetcher.load(`/search?q=${encodeURIComponent(next)}`)
  }
  // Until the server has answered, pages are found here.
  const answered = fetcher.data && fetcher.data.asked === query
  const found =
    query.trim() === ''
      ? PLACES.slice(0, MAX_AT_FIRST)
      : answered
        ? fetcher.data!.found
        : matching(PLACES, query, MAX_AT_FIRST)
  const { opened } = useSpotlight(store as SpotlightStore)
  useBackCloses(opened, spotlight.close)
  const kinds = [...new Set(found.map((entry) => entry.kind))]
  return (
    <Spotlight.Root
      store={store as SpotlightStore}
      attributes={{ content: { 'aria-label': 'Find' } }}
      query={query}
      onQueryChange={ask}
      shortcut={null}
      lockScroll={false}
      scrollable
      maxHeight={420}
      clearQueryOnClose
      overlayProps={{ backgroundOpacity: 0.4, blur: 0 }}
      classNames={{
        content: classes.content!,
        search: classes.search!,
        actionsGroup: classes.group!,
        action: classes.action!,
      }}
    >
      <Spotlight.Search placeholder="Search grains, pots, batches, pages" aria-label="Find" maxLength={200} />
      <VisuallyHidden role="status">
        {query.trim() === '' || !answered
          ? ''
          : found.length === 1
            ? 'one result'
            : `${found.length} results`}
      </VisuallyHidden>
      <Spotlight.ActionsList>
        {kinds.map((kind) => (
          <Spotlight.ActionsGroup key={kind} label={kind}>
            {found
              .filter((entry) => entry.kind === kind)
              .map(({ label, more, to }, i) => (
                <Spotlight.Action
                  key={`${to} ${i}`}
                  label={label}
                  {...(more === undefined ? {} : { description: more })}
                  onClick={() => void navigate(to)}
                />
              ))}
          </Spotlight.ActionsGroup>
        ))}
        {found.length === 0 && (
          <Spotlight.Empty>
            {answered ? 'No results. Try a grain, a pot or a page.' : 'Looking …'}
          </Spotlight.Empty>
        )}
      </Spotlight.ActionsList>
    </Spotlight.Root>
  )
}
