import { Button, FileInput, Group, NativeSelect, Radio, Table, TextInput } from '@mantine/core'
import Papa from 'papaparse'
import { useState, type ClipboardEvent } from 'react'
import { data, Link, useNavigation } from 'react-router'
import {
  columnCalled,
  COPIED_COLUMNS,
  DAY_ORDERS,
  MAX_COPIED,
  parseCopied,
  type CopiedColumn,
  type CopiedError,
  type DayOrder,
} from '#core/learn/imported-batches'
import { nowMs } from '#server/clock'
import { importContext, copyCooks } from '#server/commands/import-batches'
import { kitchen } from '#server/kitchen'
import { Complaints } from '../../ui/forms/error-list'
import { unknownIntent } from '../../ui/forms/errors'
import { formOf } from '../../ui/forms/read-form'
import { SendButton } from '../../ui/forms/send-button'
import type { Route } from './+types/import'
import classes from './notebook.module.css'
import { useSubmitOnce } from '../../ui/forms/use-submit-once'

export const meta: Route.MetaFunction = () => [{ title: 'Import an old notebook · Omsel' }]

export function loader() {
  return { household: importContext(kitchen()), today: new Date(nowMs()).toISOString().slice(0, 10) }
}

export async function action({ request }: Route.ActionArgs) {
  const form = await formOf(request)
  const refuse = (message: string, status = 400) =>
    data({ errors: [{ row: 0, column: '' as const, message }] satisfies CopiedError[] }, { status })
  if (form.get('intent') !== 'copy') return refuse(unknownIntent(form.get('intent')).message)
  let table: unknown
  try {
    table = JSON.parse(String(form.get('table') ?? ''))
  } catch {
    return refuse('table must be JSON')
  }
  if (
    !Array.isArray(table) ||
    table.length > MAX_COPIED + 2 ||
    !table.every(
      (row) => Array.isArray(row) && row.length <= 40 && row.every((cell) => typeof cell === 'string'),
    )
  )
    return refuse(`table must be rows of text, ${MAX_COPIED} at most`)
  const order = DAY_ORDERS.find((one) => one === form.get('order'))
  const copied = copyCooks(kitchen(), table as string[][], nowMs(), order)
  return copied.ok ? copied.value : data({ errors: copied.errors }, { status: 422 })
}

/** Without these a row is no cook. */
const NEEDED = ['date', 'grain', 'dry', 'water', 'pot'] as const satisfies readonly CopiedColumn[]
const WORDS: Record<CopiedColumn, string> = {
  date: 'When',
  grain: 'Grain',
  dry: 'Dry, g',
  water: 'Water, g',
  pot: 'Pot',
  outcome: 'How it was',
  note: 'Note',
}
const EXAMPLE: Record<CopiedColumn, string> = {
  date: '2025-11-03',
  grain: 'Quinoa',
  dry: '220',
  water: '310',
  pot: '',
  outcome: 'right',
  note: '',
}
const blank = () => COPIED_COLUMNS.map(() => '')
const FIRST_ROWS = 4
const MAX_FILE = 500_000

/** A table as it is typed, pasted or read from a file, with its heading. */
function useTable() {
  const [rows, setRows] = useState<string[][]>(() => Array.from({ length: FIRST_ROWS }, blank))
  /** The table's column names, and which of ours each is; "" for one that is left out. */
  const [heading, setHeading] = useState<string[]>()
  const [matched, setMatched] = useState<(CopiedColumn | '')[]>([])
  const [message, setMessage] = useState<string>()
  const take = (text: string): boolean => {
    const parsed = Papa.parse<string[]>(text.trim(), { skipEmptyLines: 'greedy' })
    const list = parsed.data
    if (list.length < 2 && (list[0]?.length ?? 0) < 2) return false
    const [first] = list
    // A first row without a figure in it is a heading.
    const headed = first !== undefined && first.length > 1 && first.every((cell) => !/\d/.test(cell))
    const width = Math.max(...list.map((row) => row.length))
    const even = (row: readonly string[]) =>
      Array.from({ length: headed ? width : Math.max(width, COPIED_COLUMNS.length) }, (_, i) => row[i] ?? '')
    setHeading(headed ? even(first) : undefined)
    setMatched(headed ? even(first).map((word) => columnCalled(word) ?? '') : [])
    setRows(list.slice(headed ? 1 : 0, (headed ? 1 : 0) + MAX_COPIED + 1).map(even))
    setMessage(`${list.length - (headed ? 1 : 0)} rows read.`)
    return true
  }
  const takeFile = async (chosen: File | undefined) => {
    if (!chosen) return
    if (chosen.size > MAX_FILE)
      return setMessage(
        `The file may have ${MAX_FILE / 1000} kB at most; yours has ${Math.round(chosen.size / 1000)}.`,
      )
    try {
      if (!take(new TextDecoder('utf-8', { fatal: true }).decode(await chosen.arrayBuffer())))
        setMessage('No table found in that file.')
    } catch {
      setMessage('That file is not UTF-8 text. Save it as “CSV UTF-8” and try again.')
    }
  }
  return { rows, setRows, heading, matched, setMatched, message, take, takeFile }
}

/** What the table says so far; undefined while nothing is in it. */
function readTable(
  {
    table,
    rows,
    heading,
    matched,
  }: Pick<ReturnType<typeof useTable>, 'rows' | 'heading' | 'matched'> & {
    table: string[][]
  },
  household: Route.ComponentProps['loaderData']['household'],
  today: string,
  order: DayOrder | undefined,
): ReturnType<typeof parseCopied> | undefined {
  if (!rows.some((row) => row.some((cell) => cell.trim() !== ''))) return undefined
  const lost = heading ? NEEDED.filter((column) => !matched.includes(column)) : []
  return lost.length > 0
    ? {
        ok: false,
        errors: lost.map((column) => ({ row: 0, column, message: `Which column is “${WORDS[column]}”?` })),
      }
    : parseCopied(table, household, today, order)
}

const importedWords = ({ copied, already }: { copied: number; already: number }): string =>
  [
    copied === 1 ? 'One batch is in the notebook now.' : `${copied} batches are in the notebook now.`,
    already === 0 ? '' : already === 1 ? ' One was there already.' : ` ${already} were there already.`,
  ].join('')

/** Past batches, typed into a grid, pasted from a table, or read from a CSV file. */
export default function Copy({ loaderData, actionData }: Route.ComponentProps) {
  const { household, today } = loaderData
  const [order, setOrder] = useState<DayOrder>()
  const { rows, setRows, heading, matched, setMatched, message, take, takeFile } = useTable()
  const submit = useSubmitOnce(actionData)
  const busy = useNavigation().state !== 'idle'
  const table = heading ? [matched, ...rows] : rows
  const read = readTable({ table, rows, heading, matched }, household, today, order)
  // Asked once, and shown for as long as the dates could be read both ways.
  const asksOrder = read !== undefined && (order !== undefined || (!read.ok && read.asksDayOrder === true))
  const errors =
    read && !read.ok ? read.errors : actionData && 'errors' in actionData ? actionData.errors : []
  const columns = heading ?? COPIED_COLUMNS.map((c) => WORDS[c])
  const paste = (event: ClipboardEvent) => {
    if (take(event.clipboardData.getData('text'))) event.preventDefault()
  }
  const at = (row: number, column: number) =>
    errors.find(
      (e) =>
        e.row === row + 1 &&
        e.column !== '' &&
        e.column === (heading ? matched[column] : COPIED_COLUMNS[column]),
    )
  return (
    <main className={classes.notebook}>
      <p className={classes.back}>
        <Link to="/notebook">Notebook</Link>
      </p>
      <h1 className="figure">Import an old notebook</h1>
      <p className="place-lead">
        One batch per row. Paste a table into the first cell or choose a CSV file. Column headings are matched
        for you and can be changed.
      </p>
      <FileInput
        className={classes.file!}
        label="From a file"
        placeholder="choose a file"
        description={`CSV in UTF-8, ${MAX_FILE / 1000} kB at most`}
        accept=".csv,.tsv,text/csv,text/plain"
        onChange={(chosen) => void takeFile(chosen ?? undefined)}
      />
      <p>
        <span role="status" className="quiet">
          {actionData && 'copied' in actionData ? importedWords(actionData) : message}
        </span>
      </p>
      <CopiedTable
        paste={paste}
        columns={columns}
        heading={heading}
        matched={matched}
        setMatched={setMatched}
        rows={rows}
        at={at}
        household={household}
        setRows={setRows}
      />
      {asksOrder && <WhichOrder order={order} onChange={setOrder} />}
      <Complaints of={errors.map((e) => `${e.row > 0 ? `Row ${e.row}: ` : ''}${e.message}.`)} />
      <p>
        <Button
          variant="default"
          onClick={() => setRows([...rows, heading ? heading.map(() => '') : blank()])}
          disabled={rows.length >= MAX_COPIED}
        >
          Add row
        </Button>{' '}
        <SendButton
          busy={busy}
          disabled={!read?.ok}
          onClick={() =>
            void submit(
              { intent: 'copy', table: JSON.stringify(table), ...(order ? { order } : {}) },
              { method: 'post' },
            )
          }
        >
          {read?.ok
            ? `Import ${read.cooks.length === 1 ? 'one batch' : `${read.cooks.length} batches`}`
            : 'Import'}
        </SendButton>
      </p>
    </main>
  )
}

/** Which of day and month comes first, where the table does not say. */
const WhichOrder = ({
  order,
  onChange,
}: {
  order: DayOrder | undefined
  onChange: (next: DayOrder) => void
}) => (
  <Radio.Group
    label="Dates like 3/11/2025 mean"
    value={order ?? ''}
    onChange={(next) => onChange(next as DayOrder)}
  >
    <Group mt={4} mb="sm">
      <Radio value="day-month" label="3 November: the day first" />
      <Radio value="month-day" label="March 11: the month first" />
    </Group>
  </Radio.Group>
)

/** The pasted table; a heading can be matched to another column. */
function CopiedTable({
  paste,
  columns,
  heading,
  matched,
  setMatched,
  rows,
  at,
  household,
  setRows,
}: {
  paste: (event: ClipboardEvent<Element>) => void
  columns: string[]
  heading: string[] | undefined
  matched: ('' | 'date' | 'grain' | 'dry' | 'water' | 'pot' | 'outcome' | 'note')[]
  setMatched: (next: (CopiedColumn | '')[]) => void
  rows: string[][]
  at: (row: number, column: number) => CopiedError | undefined
  household: Route.ComponentProps['loaderData']['household']
  setRows: (next: string[][]) => void
}) {
  return (
    <div className={classes.scroll} onPaste={paste}>
      <Table withRowBorders={false} verticalSpacing={2} horizontalSpacing={3}>
        <Table.Thead>
          <Table.Tr>
            {columns.map((word, i) => (
              <Table.Th key={i}>
                {word}
                {heading && (
                  <NativeSelect
                    size="xs"
                    aria-label={`“${word}” is`}
                    value={matched[i] ?? ''}
                    data={[
                      { value: '', label: 'ignore' },
                      ...COPIED_COLUMNS.map((column) => ({ value: column, label: WORDS[column] })),
                    ]}
                    onChange={(event) =>
                      setMatched(
                        matched.map((old, k) =>
                          k === i ? (event.currentTarget.value as CopiedColumn | '') : old,
                        ),
                      )
                    }
                  />
                )}
              </Table.Th>
            ))}
          </Table.Tr>
        </Table.Thead>
        <Table.Tbody>
          {rows.map((row, r) => (
            <Table.Tr key={r}>
              {row.map((cell, c) => (
                <Table.Td key={c}>
                  <TextInput
                    size="xs"
                    aria-label={`${columns[c] ?? 'column'}, row ${r + 1}`}
                    value={cell}
                    error={at(r, c) !== undefined}
                    miw={84}
                    placeholder={
                      r === 0 && !heading
                        ? c === 4
                          ? household.vessels[0]?.name
                          : EXAMPLE[COPIED_COLUMNS[c]!]
                        : ''
                    }
                    onChange={(event) => {
                      const { value } = event.currentTarget
                      setRows(
                        rows.map((other, i) =>
                          i === r ? other.map((old, k) => (k === c ? value : old)) : other,
                        ),
                      )
                    }}
                  />
                </Table.Td>
              ))}
            </Table.Tr>
          ))}
        </Table.Tbody>
      </Table>
    </div>
  )
}
