import { PasswordInput, Stack } from '@mantine/core'
import { QRCodeSVG } from 'qrcode.react'
import { useState } from 'react'
import { data, Form, redirect, useNavigation } from 'react-router'
import type { ErrorCode } from '#core/contract/fields'
import { nowMs } from '#server/clock'
import { setPassphrase } from '#server/http/auth/sign-in'
import { listenerOf, guardState } from '#server/http/auth/auth'
import { namesHere } from '#server/http/auth/hosts'
import { JOIN_MINUTES } from '#server/http/auth/pairing-codes'
import { PASSPHRASE_LIMITS } from '#server/http/auth/passphrase'
import { noCookie, revokeSession, SESSION_DAYS, tokenIn } from '#server/http/auth/sessions'
import { kitchen } from '#server/kitchen'
import { settingsOf } from '#server/store/open-household'
import { createProgramToken } from '#server/http/auth/program-tokens'
import { errorAt, unknownIntent } from '../../ui/forms/errors'
import { AccessList } from './access-list'
import { Programs } from './programs'
import { formOf } from '../../ui/forms/read-form'
import { dayWord } from '../../ui/time/clock-hour'
import sheets from '../../layout/sheets.module.css'
import { SendButton } from '../../ui/forms/send-button'
import type { Route } from './+types/devices'
import classes from './devices.module.css'

export const meta: Route.MetaFunction = () => [{ title: 'Other devices · Omsel' }]

export function loader({ request }: Route.LoaderArgs) {
  const { access } = kitchen()
  const { network } = guardState()
  const { zone } = settingsOf(kitchen())
  const now = nowMs()
  return {
    here: !listenerOf(request).network,
    hasPassphrase: access.passphrase() !== undefined,
    network: network && {
      addresses: [...network.addresses, ...namesHere().filter((name) => name.endsWith('.local'))].map(
        (host) => `https://${host}:${network.port}`,
      ),
      fingerprint: network.certificates.fingerprint,
    },
    sessions: access.sessions().map((s) => ({
      id: s.token_hash,
      device: s.device,
      since: dayWord(s.made_ms, now, zone),
      seen: dayWord(s.seen_ms, now, zone),
    })),
    programs: access.programs().map((one) => ({
      id: one.token_hash,
      name: one.name,
      scope: one.scope,
      since: dayWord(one.made_ms, now, zone),
      seen: one.seen_ms === null ? null : dayWord(one.seen_ms, now, zone),
    })),
    limits: {
      ...PASSPHRASE_LIMITS,
      minutes: JOIN_MINUTES,
      days: SESSION_DAYS.idle,
    },
  }
}

const INTENTS = ['set-passphrase', 'code', 'send-away', 'leave', 'token', 'revoke']

export async function action({ request }: Route.ActionArgs) {
  const form = await formOf(request)
  const listener = listenerOf(request)
  const { access } = kitchen()
  const intent = form.get('intent')
  if (intent === 'leave' && listener.network) {
    const token = tokenIn(request.headers.get('cookie'), listener.secure)
    if (token) revokeSession(access, token)
    return redirect('/login', {
      headers: {
        'Set-Cookie': noCookie(listener.secure),
        // Pages the device keeps for when the server is away, and what was still to be sent.
        'Clear-Site-Data': '"cache", "storage"',
      },
    })
  }
  const refuse = (path: string, code: ErrorCode, message: string, status: number) =>
    data({ errors: [{ path, message, code }], typed: {} }, { status })
  if (!INTENTS.includes(String(intent)))
    return data({ errors: [unknownIntent(intent)], typed: {} }, { status: 400 })
  // Who may come in is said at the machine itself.
  if (listener.network || intent === 'leave')
    return refuse(
      'intent',
      'not-allowed',
      listener.network ? 'Do this on the computer that runs Omsel.' : 'This computer needs no sign-in.',
      403,
    )
  if (intent === 'code')
    return guardState().network
      ? { code: guardState().joins.make(nowMs()) }
      : refuse('intent', 'conflict', 'Network access is off.', 409)
  if (intent === 'send-away')
    return access.dropSession(String(form.get('session')))
      ? { sentAway: true }
      : refuse('session', 'not-found', 'That device is no longer signed in.', 404)
  if (intent === 'revoke')
    return access.dropProgram(String(form.get('program')))
      ? { sentAway: true }
      : refuse('program', 'not-found', 'That token was revoked already.', 404)
  if (intent === 'token') {
    const made = createProgramToken(access, Object.fromEntries(form), nowMs())
    return made.ok
      ? { token: made.value }
      : data({ errors: made.errors, typed: { name: String(form.get('name') ?? '') } }, { status: 422 })
  }
  const saved = await setPassphrase(kitchen(), form.get('passphrase'), form.get('again'), nowMs())
  return saved.ok ? { set: true } : data({ errors: saved.errors, typed: {} }, { status: 422 })
}

/** The phone by the stove, and who else may come in. */
export default function Devices({ loaderData, actionData }: Route.ComponentProps) {
  const { here, hasPassphrase, network, sessions, programs, limits } = loaderData
  const busy = useNavigation().state !== 'idle'
  const [address, setAddress] = useState(0)
  const refused = actionData && 'errors' in actionData ? actionData : undefined
  const code = actionData && 'code' in actionData ? actionData.code : undefined
  return (
    <>
      <h1 className="figure">Other devices</h1>
      {!here && (
        <section className={`${sheets.sheet} basin`}>
          <p>This device is signed in until you remove it, or until it is unused for {limits.days} days.</p>
          <Form method="post">
            <SendButton type="submit" name="intent" value="leave" variant="default" busy={busy}>
              Sign out
            </SendButton>
          </Form>
        </section>
      )}
      {here && (
        <>
          {refused?.errors
            .filter((e) => ['intent', 'session', 'program'].includes(e.path))
            .map((e) => (
              <p key={e.message} role="alert">
                {e.message}
              </p>
            ))}
          <ConnectPhone
            network={network}
            code={code}
            limits={limits}
            busy={busy}
            address={address}
            setAddress={setAddress}
            hasPassphrase={hasPassphrase}
          />
          <PassphraseSection
            hasPassphrase={hasPassphrase}
            actionData={actionData}
            limits={limits}
            refused={refused}
            busy={busy}
          />
          <SignedIn sessions={sessions} />
          <Programs
            programs={programs}
            token={actionData && 'token' in actionData ? actionData.token : undefined}
            refused={refused}
            busy={busy}
          />
          <CertificateSection network={network} />
        </>
      )}
    </>
  )
}

/** A code that signs in one phone, or how to let other devices in. */
function ConnectPhone({
  network,
  code,
  limits,
  busy,
  address,
  setAddress,
  hasPassphrase,
}: {
  network: Route.ComponentProps['loaderData']['network']
  code: string | undefined
  limits: Route.ComponentProps['loaderData']['limits']
  busy: boolean
  address: number
  setAddress: (next: number) => void
  hasPassphrase: boolean
}) {
  return (
    <section className={`${sheets.sheet} basin`} aria-labelledby="phone">
      <h2 className="figure" id="phone">
        Connect a phone
      </h2>
      {network ? (
        <>
          {code === undefined ? (
            <>
              <p>
                Omsel is reachable at{' '}
                {network.addresses.map((at, i) => (
                  <span key={at}>
                    {i > 0 ? ', ' : ''}
                    <code className={classes.address}>{at}</code>
                  </span>
                ))}
                . A code signs in one device, for {limits.minutes} minutes, without the passphrase.
              </p>
              <Form method="post">
                <SendButton type="submit" name="intent" value="code" busy={busy}>
                  Show a code
                </SendButton>
              </Form>
            </>
          ) : (
            <div className={classes.code}>
              <QRCodeSVG
                value={`${network.addresses[address]!}/login#join=${code}`}
                size={220}
                marginSize={3}
                title={`Sign-in address: ${network.addresses[address]!}`}
              />
              <div>
                <p>Scan with the phone’s camera. Works for one device and {limits.minutes} minutes.</p>
                {network.addresses.length > 1 && (
                  <p>
                    Not found?{' '}
                    <button
                      type="button"
                      className={classes.other}
                      onClick={() => setAddress((address + 1) % network.addresses.length)}
                    >
                      Try another address
                    </button>
                    ; this is <code className={classes.address}>{network.addresses[address]!}</code>.
                  </p>
                )}
                <p className="quiet small">
                  The phone will warn that it does not know the certificate.{' '}
                  <a href="#trust">What that means</a>
                </p>
              </div>
            </div>
          )}
        </>
      ) : (
        <p>
          Only this computer can connect. To allow other devices,{' '}
          {hasPassphrase ? '' : 'set a passphrase below, then '}start it with{' '}
          <code className={classes.address}>HOST=0.0.0.0 npm start</code>; then anyone with the passphrase can
          connect over HTTPS.
        </p>
      )}
    </section>
  )
}

function PassphraseSection({
  hasPassphrase,
  actionData,
  limits,
  refused,
  busy,
}: {
  hasPassphrase: boolean
  actionData: Route.ComponentProps['actionData']
  limits: Route.ComponentProps['loaderData']['limits']
  refused: Parameters<typeof errorAt>[0]
  busy: boolean
}) {
  return (
    <section className={`${sheets.sheet} basin`} aria-labelledby="passphrase">
      <h2 className="figure" id="passphrase">
        Passphrase
      </h2>
      <p>
        {hasPassphrase
          ? 'A passphrase is set. Changing it signs out every device.'
          : 'No passphrase yet. A few words in a row work well.'}
      </p>
      <Form method="post" key={actionData && 'set' in actionData ? 'set' : 'form'}>
        <input type="text" name="username" autoComplete="username" defaultValue="household" hidden readOnly />
        <Stack gap="sm" maw={360}>
          <PasswordInput
            name="passphrase"
            label={hasPassphrase ? 'New passphrase' : 'Passphrase'}
            description={`at least ${limits.least} characters`}
            autoComplete="new-password"
            error={errorAt(refused, 'passphrase')}
            visibilityToggleButtonProps={{ 'aria-label': 'Show what is typed' }}
          />
          <PasswordInput
            name="again"
            label="Repeat passphrase"
            autoComplete="new-password"
            error={errorAt(refused, 'again')}
            visibilityToggleButtonProps={{ 'aria-label': 'Show what is typed again' }}
          />
          <SendButton
            type="submit"
            name="intent"
            value="set-passphrase"
            variant="default"
            style={{ alignSelf: 'start' }}
            busy={busy}
          >
            {hasPassphrase ? 'Change it' : 'Set it'}
          </SendButton>
        </Stack>
        <p role="status" className="quiet">
          {actionData && 'set' in actionData && !busy ? 'It is set.' : ''}
        </p>
      </Form>
    </section>
  )
}

/** The devices that are signed in, each with its sign-out. */
function SignedIn({ sessions }: { sessions: Route.ComponentProps['loaderData']['sessions'] }) {
  return (
    <section className={`${sheets.sheet} basin`} aria-labelledby="inside">
      <h2 className="figure" id="inside">
        Signed-in devices
      </h2>
      {sessions.length === 0 ? (
        <p className="quiet">Only this computer.</p>
      ) : (
        <AccessList
          rows={sessions.map((s) => ({
            id: s.id,
            name: s.device,
            says: `since ${s.since}, last seen ${s.seen}`,
          }))}
          field="session"
          intent="send-away"
          word="sign out"
          label={(name) => `Sign out ${name}`}
        />
      )}
    </section>
  )
}

/** How a phone comes to trust this computer’s own certificate. */
function CertificateSection({ network }: { network: Route.ComponentProps['loaderData']['network'] }) {
  return (
    <>
      {network && (
        <section className={`${sheets.sheet} basin`} aria-labelledby="trust">
          <h2 className="figure" id="trust">
            Certificate
          </h2>
          <p>
            The connection is encrypted with this computer’s own certificate, so the browser warns once.
            Continue past the warning, or install the certificate:
          </p>
          <ol>
            <li>
              On the phone, open{' '}
              <code className={classes.address}>{network.addresses[0]!}/authority.pem</code> and save the
              file.
            </li>
            <li>
              Where the phone’s settings speak of profiles: install the one that was downloaded, then switch
              it on under General, About, Certificate Trust Settings. Where they speak of certificates:
              Security, Install a certificate, CA certificate, and choose the file.
            </li>
            <li>Before you switch it on, compare its SHA-256 fingerprint with this one:</li>
          </ol>
          <p className={classes.fingerprint}>{network.fingerprint}</p>
          <p className="quiet small">
            It is valid only for addresses inside a home network and for names that end in .local, .lan or
            home.arpa, and for this computer’s own name; for nothing else on the web. Its key stays in the
            data folder of this computer and is in no backup. To undo the trust, remove “Omsel at home” on the
            phone.
          </p>
        </section>
      )}
    </>
  )
}
