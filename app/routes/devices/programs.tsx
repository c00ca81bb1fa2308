import { Button, Code, CopyButton, Group, Radio, Stack, TextInput } from '@mantine/core'
import { Form } from 'react-router'
import { errorAt } from '../../ui/forms/errors'
import { SendButton } from '../../ui/forms/send-button'
import sheets from '../../layout/sheets.module.css'
import type { Route } from './+types/devices'
import { AccessList } from './access-list'
import classes from './devices.module.css'

const SCOPES = {
  read: 'reads and asks',
  write: 'reads, asks, and presses at the stove',
} as const

/** Programs that use the API on the network, each with its token. */
export function Programs({
  programs,
  token,
  refused,
  busy,
}: {
  programs: Route.ComponentProps['loaderData']['programs']
  /** Just made: shown once. */
  token: string | undefined
  refused: Parameters<typeof errorAt>[0]
  busy: boolean
}) {
  return (
    <section className={`${sheets.sheet} basin`} aria-labelledby="programs">
      <h2 className="figure" id="programs">
        Programs
      </h2>
      <p className="quiet">
        A program on the network shows a token instead of the passphrase; a new passphrase does not revoke it.
        What it can ask is described at <a href="/api/v1/openapi.json">/api/v1/openapi.json</a>.
      </p>
      {programs.length > 0 && (
        <AccessList
          rows={programs.map((one) => ({
            id: one.id,
            name: one.name,
            says: `${SCOPES[one.scope]}; since ${one.since}, ${one.seen ? `last seen ${one.seen}` : 'not seen yet'}`,
          }))}
          field="program"
          intent="revoke"
          word="revoke"
          label={(name) => `Revoke the token of ${name}`}
        />
      )}
      {token !== undefined && (
        <div role="status" className={classes.token}>
          <p>Copy it now; it is not shown again.</p>
          <Code block>{token}</Code>
          <CopyButton value={token}>
            {({ copied, copy }) => (
              <Button variant="default" size="compact-sm" onClick={copy}>
                {copied ? 'Copied' : 'Copy'}
              </Button>
            )}
          </CopyButton>
        </div>
      )}
      <Form method="post" key={token ?? 'form'}>
        <Stack gap="sm" maw={420}>
          <TextInput
            name="name"
            label="Name of the program"
            description="for example “kitchen display”"
            autoComplete="off"
            defaultValue={refused?.typed?.name ?? ''}
            error={errorAt(refused, 'name')}
          />
          <Radio.Group
            name="scope"
            label="What it may do"
            defaultValue="read"
            error={errorAt(refused, 'scope')}
          >
            <Group mt={4}>
              <Radio value="read" label={SCOPES.read} />
              <Radio value="write" label={SCOPES.write} />
            </Group>
          </Radio.Group>
          <SendButton
            type="submit"
            name="intent"
            value="token"
            variant="default"
            style={{ alignSelf: 'start' }}
            busy={busy}
          >
            Make a token
          </SendButton>
        </Stack>
      </Form>
    </section>
  )
}
