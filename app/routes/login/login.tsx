import type { FieldError } from '#core/contract/fields'
import { PasswordInput } from '@mantine/core'
import { useEffect, useState } from 'react'
import { data, Form, redirect, useNavigation } from 'react-router'
import { nowMs } from '#server/clock'
import { enterBy, joinBy } from '#server/http/auth/sign-in'
import { listenerOf, guardState } from '#server/http/auth/auth'
import { isAuthenticated, sessionCookie, tokenIn } from '#server/http/auth/sessions'
import { kitchen } from '#server/kitchen'
import { localAddress } from '#server/http/auth/local-address'
import { unknownIntent } from '../../ui/forms/errors'
import { formOf } from '../../ui/forms/read-form'
import { SendButton } from '../../ui/forms/send-button'
import type { Route } from './+types/login'
import classes from './login.module.css'

export const meta: Route.MetaFunction = () => [{ title: 'Sign in · Omsel' }]

export function loader({ request }: Route.LoaderArgs) {
  const listener = listenerOf(request)
  const to = localAddress(new URL(request.url).searchParams.get('to'))
  if (
    !listener.network ||
    isAuthenticated(kitchen().access, tokenIn(request.headers.get('cookie'), listener.secure), nowMs())
  )
    return redirect(to)
  return { fingerprint: guardState().network?.certificates.fingerprint }
}

export async function action({ request }: Route.ActionArgs) {
  const form = await formOf(request)
  const listener = listenerOf(request)
  if (!listener.network) return redirect('/')
  const { throttle, joins } = guardState()
  const visitor = { address: listener.address, userAgent: request.headers.get('user-agent'), nowMs: nowMs() }
  const intent = form.get('intent')
  if (intent !== 'enter' && intent !== 'join')
    return data({ message: unknownIntent(intent).message }, { status: 400 })
  const entered =
    intent === 'enter'
      ? await enterBy(kitchen(), throttle, form.get('passphrase'), visitor)
      : joinBy(kitchen(), throttle, joins, form.get('code'), visitor)
  if (entered.ok)
    return redirect(localAddress(new URL(request.url).searchParams.get('to')), {
      headers: { 'Set-Cookie': sessionCookie(entered.value, listener.secure) },
    })
  if ('waitS' in entered)
    return data(
      {
        message: `Too many attempts. Wait ${entered.waitS < 90 ? `${entered.waitS} s` : `${Math.ceil(entered.waitS / 60)} min`}.`,
      },
      { status: 429, headers: { 'Retry-After': String(entered.waitS) } },
    )
  const [{ path, message }] = entered.errors as [FieldError]
  return data({ message: `That ${path} ${message.slice(path.length + 1)}.` }, { status: 403 })
}

/** How long to wait is said to programs as well. */
export const headers: Route.HeadersFunction = ({ actionHeaders }) => actionHeaders

/** The sign-in page. */
export default function LoginPage({ actionData }: Route.ComponentProps) {
  // A pairing code is in the fragment of the address, which browsers never send.
  const [code, setCode] = useState<string>()
  useEffect(() => {
    const found = /^#join=([\w-]+)$/.exec(location.hash)?.[1]
    if (found === undefined) return
    setCode(found)
    history.replaceState(history.state, '', location.pathname + location.search)
  }, [])
  const busy = useNavigation().state !== 'idle'
  return (
    <main className={`${classes.door} basin`}>
      <h1 className="figure">Sign in</h1>
      {code !== undefined && !actionData ? (
        <Form method="post">
          <p>The computer has sent you an invitation.</p>
          <input type="hidden" name="code" value={code} />
          <SendButton type="submit" name="intent" value="join" size="md" busy={busy} fullWidth>
            Allow this device
          </SendButton>
        </Form>
      ) : (
        <Form method="post">
          <p>Enter the passphrase, or scan the code shown on the computer under Settings, Other devices.</p>
          <PasswordInput
            error={busy ? undefined : actionData?.message}
            errorProps={{ role: 'alert' }}
            name="passphrase"
            label="Passphrase"
            autoComplete="current-password"
            size="md"
            maxLength={400}
            required
            withAsterisk={false}
            visibilityToggleButtonProps={{ 'aria-label': 'Show what is typed' }}
          />
          <SendButton type="submit" name="intent" value="enter" size="md" mt="md" busy={busy} fullWidth>
            Sign in
          </SendButton>
        </Form>
      )}
    </main>
  )
}
