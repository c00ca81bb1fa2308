import { Button, Checkbox, FileInput, Radio } from '@mantine/core'
import { join } from 'node:path'
import { useEffect, useRef, useState } from 'react'
import { data, Form, Link, useNavigation, useSubmit } from 'react-router'
import { GROUPS, PACKS, type GroupId, type PackId } from '#core/contract/bundle-names'
import type { FieldError } from '#core/contract/fields'
import { prepareInWorker, writeInWorker } from '#server/api/worker-pool'
import { nowMs } from '#server/clock'
import {
  importBundle,
  incomingFolder,
  importsDone,
  previewImport,
  SIDE_BY_SIDE,
  IMPORT_MODES,
  type ImportChoices,
  type ImportPreview,
} from '#server/commands/transfer'
import { dropUpload, receiveForm, uploadedFile } from '#server/http/upload'
import { kitchen } from '#server/kitchen'
import { databaseFile } from '#server/store/open-household'
import { copiesIn } from '#server/backup/daily'
import { Complaints } from '../../ui/forms/error-list'
import sheets from '../../layout/sheets.module.css'
import { Preview } from './preview'
import { SendButton } from '../../ui/forms/send-button'
import type { Route } from './+types/transfer'
import classes from './transfer.module.css'

export const meta: Route.MetaFunction = () => [{ title: 'Export and import · Omsel' }]

export const loader = () => ({
  copies: copiesIn(databaseFile()).length,
  sideBySide: SIDE_BY_SIDE,
  cooks: kitchen().notebook.count({}),
  importsDone: importsDone(),
})

const uploadsFolder = () => join(incomingFolder(databaseFile()), 'uploads')

const refuse = (errors: FieldError[], status = 422) => data({ errors }, { status })

export async function action({ request }: Route.ActionArgs) {
  const folder = uploadsFolder()
  const { fields, upload: sent } = await receiveForm(request, folder)
  const { intent } = fields
  if (intent !== 'look' && intent !== 'bring')
    return refuse(
      [
        {
          path: 'intent',
          message: `intent must be an action of this page, got "${(intent ?? '').slice(0, 40)}"`,
          code: 'not-an-option',
        },
      ],
      400,
    )
  // A file that was looked at is still here, and need not be sent again.
  const upload = sent ?? fields.upload
  if (upload === undefined || upload === '')
    return refuse([{ path: 'file', message: 'file is missing: choose one', code: 'required' }])
  const source = uploadedFile(folder, upload)
  if (source === undefined)
    return refuse([
      { path: 'file', message: 'file must be chosen again: it is no longer here', code: 'required' },
    ])
  if (intent === 'look') {
    const preview = await previewImport(databaseFile(), source, prepareInWorker, request.signal)
    if (preview.ok) return { preview: { ...preview.value, upload } }
    dropUpload(folder, upload)
    return refuse(preview.errors)
  }
  const how = IMPORT_MODES.find((way) => way === fields.how)
  if (!how)
    return refuse([
      {
        path: 'how',
        message: `how must be one of ${IMPORT_MODES.join(', ')}; got "${(fields.how ?? '').slice(0, 40)}"`,
        code: 'not-an-option',
      },
    ])
  const choices: ImportChoices = {}
  for (const group of Object.keys(GROUPS) as GroupId[]) {
    const choice = fields[group]
    if (choice === undefined) continue
    const known = (
      ['ours', 'theirs', ...(SIDE_BY_SIDE.includes(group) ? (['both'] as const) : [])] as const
    ).find((one) => one === choice)
    if (!known)
      return refuse([
        {
          path: group,
          message: `${group} must be ours or theirs${SIDE_BY_SIDE.includes(group) ? ' or both' : ''}, got "${choice.slice(0, 40)}"`,
          code: 'invalid',
        },
      ])
    choices[group] = known
  }
  const done = await importBundle(kitchen(), databaseFile(), source, how, choices, nowMs(), {
    signal: request.signal,
    prepare: prepareInWorker,
    write: writeInWorker,
  })
  if (!done.ok) return refuse(done.errors)
  dropUpload(folder, upload)
  return { imported: { ...done.value, how } }
}

/** Export and import. */
export default function TransferPage({ loaderData, actionData }: Route.ComponentProps) {
  const [pictures, setPictures] = useState(true)
  const [file, setFile] = useState<File | null>(null)
  const [pickedAt, setPickedAt] = useState(0)
  const [previewed, setPreviewed] = useState(-1)
  const [how, setHow] = useState<'merge' | 'as-new'>('merge')
  const formRef = useRef<HTMLFormElement>(null)
  const submit = useSubmit()
  const busy = useNavigation().state !== 'idle'
  const progress = useProgress(busy)
  /** How often something had come in when this was stopped. */
  const [stoppedAt, setStoppedAt] = useState<number>()
  // The preview stays when the import is stopped or refused.
  const [preview, setPreview] = useState<ImportPreview & { upload: string }>()
  const [seenAnswer, setSeenAnswer] = useState(actionData)
  if (actionData !== seenAnswer) {
    setSeenAnswer(actionData)
    if (actionData && 'preview' in actionData) setPreview(actionData.preview)
    if (actionData && 'imported' in actionData) setPreview(undefined)
  }
  const current = preview && previewed === pickedAt ? preview : undefined
  const imported = actionData && 'imported' in actionData ? actionData.imported : undefined
  const errors = actionData && 'errors' in actionData ? actionData.errors : []
  const send = (intent: 'look' | 'bring') => {
    const form = new FormData(formRef.current!)
    form.set('intent', intent)
    // What was looked at is on the server already.
    form.delete('file')
    if (intent === 'bring' && current) form.set('upload', current.upload)
    else if (file) form.set('file', file)
    if (intent === 'look') {
      setPreviewed(pickedAt)
      setPreview(undefined)
    }
    setStoppedAt(undefined)
    void submit(form, { method: 'post', encType: 'multipart/form-data', preventScrollReset: true })
  }
  const whole = current?.holds === 'household'
  return (
    <>
      <h1 className="figure">Export and import</h1>
      <ExportSection pictures={pictures} setPictures={setPictures} loaderData={loaderData} />
      <section className={`${sheets.sheet} basin`} aria-labelledby="bring">
        <h2 className="figure" id="bring">
          Import
        </h2>
        <Form
          method="post"
          encType="multipart/form-data"
          ref={formRef}
          onSubmit={(event) => {
            event.preventDefault()
            send(current ? 'bring' : 'look')
          }}
        >
          <FileInput
            label="A data file"
            placeholder="choose a file"
            description="ZIP or JSON; you see what changes before anything is saved"
            accept=".zip,.json,application/zip,application/json"
            maw={420}
            mb="sm"
            clearable
            clearButtonProps={{ 'aria-label': 'Another file' }}
            value={file}
            onChange={(chosen) => {
              setFile(chosen)
              setPickedAt((n) => n + 1)
            }}
          />
          <Complaints of={busy ? [] : errors.map((e) => e.message)} className={classes.errors!} />
          {current && (
            <>
              {whole && (
                <Radio.Group
                  name="how"
                  value={how}
                  onChange={(value) => setHow(value as typeof how)}
                  label="What to do with it"
                  mb="md"
                >
                  <Radio value="merge" label="Merge into this kitchen" mt={6} />
                  <Radio value="as-new" label="Replace this kitchen (a backup is made first)" mt={6} />
                </Radio.Group>
              )}
              {!whole && <input type="hidden" name="how" value="merge" />}
              <Preview
                preview={current}
                sideBySide={loaderData.sideBySide}
                merging={how === 'merge' || !whole}
              />
            </>
          )}
          <ImportKeys
            current={current}
            file={file}
            busy={busy}
            send={send}
            how={how}
            whole={whole}
            setStoppedAt={setStoppedAt}
            loaderData={loaderData}
            submit={submit}
          />
          <ImportStatus
            busy={busy}
            progress={progress}
            stoppedAt={stoppedAt}
            loaderData={loaderData}
            imported={imported}
          />
        </Form>
      </section>
    </>
  )
}

function ExportSection({
  pictures,
  setPictures,
  loaderData,
}: {
  pictures: boolean
  setPictures: (next: boolean) => void
  loaderData: Route.ComponentProps['loaderData']
}) {
  return (
    <section className={`${sheets.sheet} basin`} aria-labelledby="take">
      <h2 className="figure" id="take">
        Export
      </h2>
      <p>All your data in one file: for another computer, as a backup, or for your own programs.</p>
      <div className={classes.row}>
        <Button component="a" href={`/household.zip${pictures ? '' : '?pictures=no'}`} download>
          The whole household
        </Button>
        <Checkbox
          label="with its pictures"
          checked={pictures}
          onChange={(event) => setPictures(event.currentTarget.checked)}
        />
      </div>
      <ul className={classes.links}>
        {(Object.entries(PACKS) as [PackId, (typeof PACKS)[PackId]][]).map(([id, { name }]) => (
          <li key={id}>
            <a href={`/household.json?holds=${id}`} download>
              {name}
            </a>
          </li>
        ))}
        <li>
          <a href="/notebook.csv" download>
            Notebook as CSV
          </a>
          , or{' '}
          <a href="/notebook.csv?for=spreadsheet" download>
            for a spreadsheet
          </a>
          <span className="quiet">
            , {loaderData.cooks} {loaderData.cooks === 1 ? 'batch' : 'batches'};{' '}
            <Link to="/notebook/copy">import one</Link>
          </span>
        </li>
      </ul>
      <p className="quiet small">
        The file is a ZIP of text files, one entry a line, and the pictures. Also{' '}
        <a href="/household.json" download>
          as one JSON document
        </a>
        , described in <a href="/household.schema.json">its schema</a>. A backup is made automatically every
        day;{' '}
        {loaderData.copies === 0
          ? 'none was made yet'
          : loaderData.copies === 1
            ? '1 is stored'
            : `${loaderData.copies} are stored`}
        .
      </p>
    </section>
  )
}

function ImportKeys({
  current,
  file,
  busy,
  send,
  how,
  whole,
  setStoppedAt,
  loaderData,
  submit,
}: {
  current: ImportPreview | undefined
  file: File | null
  busy: boolean
  send: (intent: 'look' | 'bring') => void
  how: 'merge' | 'as-new'
  whole: boolean
  setStoppedAt: (next: number | undefined) => void
  loaderData: Route.ComponentProps['loaderData']
  submit: ReturnType<typeof useSubmit>
}) {
  return (
    <div className={classes.row}>
      <SendButton
        type="submit"
        variant={current ? 'default' : 'filled'}
        disabled={file === null}
        busy={busy && !current}
        onClick={(event) => {
          event.preventDefault()
          send('look')
        }}
      >
        {current ? 'Read it again' : 'Check the file'}
      </SendButton>
      {current && (
        <SendButton type="button" busy={busy} onClick={() => send('bring')}>
          {how === 'as-new' && whole ? 'Replace' : 'Add it'}
        </SendButton>
      )}
      {busy && (
        <Button
          type="button"
          variant="subtle"
          onClick={() => {
            setStoppedAt(loaderData.importsDone)
            void submit(null, { method: 'get', action: '/transfer', preventScrollReset: true })
          }}
        >
          Stop
        </Button>
      )}
    </div>
  )
}

/** How far the import is, and how it ended. */
function ImportStatus({
  busy,
  progress,
  stoppedAt,
  loaderData,
  imported,
}: {
  busy: boolean
  progress: { done: number; total: number } | undefined
  stoppedAt: number | undefined
  loaderData: Route.ComponentProps['loaderData']
  imported: { how: 'merge' | 'as-new'; rows: number; aside?: string | undefined } | undefined
}) {
  return (
    <p role="status" className="quiet">
      {busy &&
        (progress && progress.total > 0
          ? `Updating the notebook: ${progress.done} of ${progress.total}`
          : 'Reading …')}
      {!busy &&
        stoppedAt !== undefined &&
        (stoppedAt === loaderData.importsDone
          ? 'Cancelled; nothing was changed.'
          : 'The import had already finished.')}
      {!busy &&
        imported &&
        (imported.how === 'as-new'
          ? `Replaced. Your earlier data is in ${imported.aside ?? ''}.`
          : imported.rows === 0
            ? 'Everything in it is here already.'
            : `${imported.rows} ${imported.rows === 1 ? 'item' : 'items'} come in.`)}
    </p>
  )
}

const LOOK_EVERY_MS = 700

/** How far the server has come, while it is at it. */
function useProgress(busy: boolean): { done: number; total: number } | undefined {
  const [progress, setProgress] = useState<{ done: number; total: number }>()
  useEffect(() => {
    if (!busy) return
    const timer = setInterval(() => {
      // A page that asks is not worth an error: what is not known is not shown.
      fetch('/transfer/progress')
        .then((r) => r.json() as Promise<typeof progress | null>)
        .then(
          (seen) => setProgress(seen ?? undefined),
          () => undefined,
        )
    }, LOOK_EVERY_MS)
    return () => {
      clearInterval(timer)
      setProgress(undefined)
    }
  }, [busy])
  return progress
}
