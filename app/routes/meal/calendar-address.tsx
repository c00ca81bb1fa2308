import { Button, CopyButton, Group, Popover, TextInput, UnstyledButton } from '@mantine/core'
import { Form, Link } from 'react-router'

/** The address from which a calendar reads the meal, as long as it is not revoked. */
export function CalendarAddress({ address }: { address: string | null }) {
  return (
    <Popover width={340} position="bottom-end" trapFocus>
      <Popover.Target>
        <UnstyledButton className="link">subscribe</UnstyledButton>
      </Popover.Target>
      <Popover.Dropdown>
        {address === null ? (
          <>
            <p>
              A calendar can read this meal from a secret address and follow it when it moves. Whoever has the
              address sees the steps of this meal, and nothing else.
            </p>
            <Form method="post" preventScrollReset>
              <Button type="submit" size="compact-sm" name="intent" value="make-calendar">
                Make an address
              </Button>
            </Form>
          </>
        ) : (
          <>
            <TextInput
              label="Address for your calendar"
              value={address}
              readOnly
              onFocus={(event) => event.currentTarget.select()}
            />
            {/^http:\/\/(127\.|localhost)/.test(address) && (
              <p className="small">
                This address works on this computer only. For other devices,{' '}
                <Link to="/devices">open Omsel to your network</Link> first.
              </p>
            )}
            <Group mt="xs" gap="xs">
              <CopyButton value={address}>
                {({ copied, copy }) => (
                  <Button size="compact-sm" onClick={copy}>
                    {copied ? 'Copied' : 'Copy'}
                  </Button>
                )}
              </CopyButton>
              <Form method="post" preventScrollReset>
                <Button
                  type="submit"
                  variant="default"
                  size="compact-sm"
                  name="intent"
                  value="revoke-calendar"
                >
                  Revoke
                </Button>
              </Form>
            </Group>
          </>
        )}
      </Popover.Dropdown>
    </Popover>
  )
}
