import { SegmentedControl } from '@mantine/core'
import type { GroupId } from '#core/contract/bundle-names'
import type { ImportPreview } from '#server/commands/transfer'
import classes from './transfer.module.css'

interface PreviewProps {
  preview: ImportPreview
  /** Groups whose things can exist side by side. */
  sideBySide: readonly GroupId[]
  /** It is added to the household; in its place, nothing is there to choose. */
  merging: boolean
}

const HOLDS = {
  household: 'a whole household',
  pots: 'a pack of pots',
  grains: 'a pack of grains',
  methods: 'a pack of programmes and marks',
} as const
const MAX_NAMES = 6
const count = (n: number, word: string) => (n === 0 ? '' : `${n} ${word}`)

/** What a file would change here, by group; where both have a thing and it differs, whose is kept. */
export function Preview({ preview, sideBySide, merging }: PreviewProps) {
  const { changes } = preview
  return (
    <div className={classes.preview}>
      <p>
        It is {HOLDS[preview.holds]} of {preview.exportedAt.slice(0, 10)}, {preview.rows} rows
        {preview.pictures > 0 ? ` and ${preview.pictures} pictures` : ''}, in version {preview.version}.
      </p>
      {merging && (
        <ul className={classes.groups}>
          {changes.map(({ group, name, added, same, differing, left }) => {
            const open = differing.filter((d) => !d.settled)
            const settled = differing.length - open.length
            return (
              <li key={group}>
                <b className="figure">{name}</b>
                <span className={classes.counts}>
                  {[
                    count(added, 'new'),
                    count(same, 'the same'),
                    count(open.length, 'different'),
                    count(
                      settled,
                      settled === 1 ? 'record differs; yours is kept' : 'records that differ; yours are kept',
                    ),
                  ]
                    .filter(Boolean)
                    .join(', ')}
                  {left.map(({ many, why }) => ` · ${many} skipped: ${why}`).join('')}
                </span>
                {open.length > 0 && (
                  <>
                    <ul className={classes.names}>
                      {open.slice(0, MAX_NAMES).map((d, i) => (
                        <li key={i}>
                          {d.name}:{' '}
                          <span className="quiet">
                            {d.fields.map((field) => field.replaceAll('_', ' ')).join(', ')}
                          </span>
                        </li>
                      ))}
                      {open.length > MAX_NAMES && (
                        <li className="quiet">and {open.length - MAX_NAMES} more</li>
                      )}
                    </ul>
                    <SegmentedControl
                      name={group}
                      defaultValue="ours"
                      aria-label={`${name}: where they differ`}
                      data={[
                        { value: 'ours', label: 'keep mine' },
                        { value: 'theirs', label: 'use the file’s' },
                        ...(sideBySide.includes(group) ? [{ value: 'both', label: 'keep both' }] : []),
                      ]}
                    />
                  </>
                )}
              </li>
            )
          })}
        </ul>
      )}
    </div>
  )
}
