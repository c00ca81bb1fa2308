import { Button, PasswordInput, Stack } from '@mantine/core'
import { QRCodeSVG } from 'qrcode.react'
import { useState } from 'react'
import { data, Form, Link, redirect, useNavigation } from 'react-router'
import { nowMs } from '#server/clock'
import { setPassphrase } from '#server/guard/enter'
import { doorOf, guardState } from '#server/guard/guard'
import { namesHere } from '#server/guard/hosts'
import { JOIN_MINUTES } from '#server/guard/joins'
import { PASSPHRASE_LIMITS } from '#server/guard/passphrase'
import { noCookie, sendAway, SESSION_DAYS, tokenIn } from '#server/guard/sessions'
import { kitchen, settingsOf } from '#server/kitchen/kitchen'
import { errorAt } from '../../forms/errors'
import { formOf } from '../../forms/form-of'
import { dayWord } from '../../time/clock-hour'
import type { Route } from './+types/devices'
import sheets from '../../shell/sheets.module.css'
import classes from './devices.module.css'

export const meta: Route.MetaFunction = () => [{ title: 'Other devices · Omsel' }]

export function loader({ request }: Route.LoaderArgs) {
  const { access } = kitchen()
  const { network } = guardState()
  const { zone } = settingsOf(kitchen())
  const now = nowMs()
  return {
    here: !doorOf(request).network,
    hasPassphrase: access.passphrase() !== undefined,
    network: network && { addresses: [...network.addresses, ...namesHere().filter((name) => name.endsWith('.local'))].map((host) => `https://${host}:${network.port}`), fingerprint: network.certificates.fingerprint },
    sessions: access.sessions().map((s) => ({ id: s.token_hash, device: s.device, since: dayWord(s.made_ms, now, zone), seen: dayWord(s.seen_ms, now, zone) })),
    limits: { ...PASSPHRASE_LIMITS, minutes: JOIN_MINUTES, days: SESSION_DAYS.idle },
  }
}

export async function action({ request }: Route.ActionArgs) {
  const form = await formOf(request)
  const door = doorOf(request)
  const { access } = kitchen()
  const intent = form.get('intent')
  if (intent === 'leave' && door.network) {
    const token = tokenIn(request.headers.get('cookie'), door.secure)
    if (token) sendAway(access, token)
    return redirect('/enter', { headers: { 'Set-Cookie': noCookie(door.secure) } })
  }
  const refuse = (path: string, message: string, status = 422) => data({ errors: [{ path, message }], typed: {} }, { status })
  if (!['set-passphrase', 'code', 'send-away', 'leave'].includes(String(intent))) return refuse('intent', `intent must be set-passphrase, code, send-away or leave, got "${String(intent).slice(0, 40)}"`, 400)
  // Who may come in is said at the machine itself.
  if (door.network || intent === 'leave') return refuse('intent', door.network ? 'This is done on the machine the house lives on.' : 'This machine is at home here.', 403)
  if (intent === 'code') return guardState().network ? { code: guardState().joins.make(nowMs()) } : refuse('intent', 'The house is not open to the network yet.', 409)
  if (intent === 'send-away') return access.dropSession(String(form.get('session'))) ? { sentAway: true } : refuse('session', 'There is no such device here any more.', 404)
  const kept = await setPassphrase(kitchen(), form.get('passphrase'), form.get('again'), nowMs())
  return kept.ok ? { set: true } : data({ errors: kept.errors, typed: {} }, { status: 422 })
}

/** The phone by the stove, and who else may come in. */
export default function Devices({ loaderData, actionData }: Route.ComponentProps) {
  const { here, hasPassphrase, network, sessions, limits } = loaderData
  const busy = useNavigation().state !== 'idle'
  const [address, setAddress] = useState(0)
  const refused = actionData && 'errors' in actionData ? actionData : undefined
  const code = actionData && 'code' in actionData ? actionData.code : undefined
  return (
    <main className={sheets.page}>
      <p className={sheets.back}>
        <Link to="/settings">Settings</Link>
      </p>
      <h1 className="figure">Other devices</h1>
      {!here && (
        <section className={`${sheets.sheet} basin`}>
          <p>This device was let in. It stays so until it is sent away, or has not been here for {limits.days} days.</p>
          <Form method="post">
            <Button type="submit" name="intent" value="leave" variant="default" loading={busy}>
              Leave the house
            </Button>
          </Form>
        </section>
      )}
      {here && (
        <>
          {refused?.errors.filter((e) => e.path === 'intent' || e.path === 'session').map((e) => (
            <p key={e.message} role="alert">{e.message}</p>
          ))}
          <section className={`${sheets.sheet} basin`} aria-labelledby="phone">
            <h2 className="figure" id="phone">A phone by the stove</h2>
            {network ? (
              <>
                {code === undefined ? (
                  <>
                    <p>The house is open at {network.addresses.map((at, i) => <span key={at}>{i > 0 ? ', ' : ''}<code className={classes.address}>{at}</code></span>)}. A code lets one device in, for {limits.minutes} minutes, without the passphrase.</p>
                    <Form method="post">
                      <Button type="submit" name="intent" value="code" loading={busy}>
                        Show a code
                      </Button>
                    </Form>
                  </>
                ) : (
                  <div className={classes.code}>
                    <QRCodeSVG value={`${network.addresses[address]!}/enter#join=${code}`} size={220} marginSize={3} title={`The way into this house: ${network.addresses[address]!}`} />
                    <div>
                      <p>Point the phone’s camera here. It is good for one device and {limits.minutes} minutes.</p>
                      {network.addresses.length > 1 && (
                        <p>
                          Not found? <button type="button" className={classes.other} onClick={() => setAddress((address + 1) % network.addresses.length)}>Try another address</button>; this is <code className={classes.address}>{network.addresses[address]!}</code>.
                        </p>
                      )}
                      <p className="quiet small">The phone will say that it does not know who vouches for this house. <a href="#trust">What that means</a></p>
                    </div>
                  </div>
                )}
              </>
            ) : (
              <p>
                Only this machine is at home here. To open the house to the network, {hasPassphrase ? '' : 'set a passphrase below, then '}start it with <code className={classes.address}>HOST=0.0.0.0 npm start</code>; its pages are then found over HTTPS as well, by whoever has the passphrase.
              </p>
            )}
          </section>
          <section className={`${sheets.sheet} basin`} aria-labelledby="passphrase">
            <h2 className="figure" id="passphrase">The passphrase</h2>
            <p>{hasPassphrase ? 'There is one. Another one sends every device away until it knows the new one.' : 'None is set. A few words in a row are good, and easy to say across a kitchen.'}</p>
            <Form method="post" key={actionData && 'set' in actionData ? 'set' : 'form'}>
              <input type="text" name="username" autoComplete="username" defaultValue="household" hidden readOnly />
              <Stack gap="sm" maw={360}>
                <PasswordInput name="passphrase" label={hasPassphrase ? 'Another passphrase' : 'A passphrase'} description={`${limits.least} characters at least`} autoComplete="new-password" error={errorAt(refused, 'passphrase')} visibilityToggleButtonProps={{ 'aria-label': 'Show what is typed' }} />
                <PasswordInput name="again" label="The same again" autoComplete="new-password" error={errorAt(refused, 'again')} visibilityToggleButtonProps={{ 'aria-label': 'Show what is typed again' }} />
                <Button type="submit" name="intent" value="set-passphrase" variant="default" style={{ alignSelf: 'start' }} loading={busy}>
                  {hasPassphrase ? 'Change it' : 'Set it'}
                </Button>
              </Stack>
              <p role="status" className="quiet">{actionData && 'set' in actionData && !busy ? 'It is set.' : ''}</p>
            </Form>
          </section>
          <section className={`${sheets.sheet} basin`} aria-labelledby="inside">
            <h2 className="figure" id="inside">Who is in</h2>
            {sessions.length === 0 ? (
              <p className="quiet">Nobody but this machine.</p>
            ) : (
              <ul className={classes.sessions}>
                {sessions.map((s) => (
                  <li key={s.id}>
                    <span>
                      <b className="figure">{s.device}</b> <span className="quiet">since {s.since}, last here {s.seen}</span>
                    </span>
                    <Form method="post">
                      <input type="hidden" name="session" value={s.id} />
                      <Button type="submit" name="intent" value="send-away" size="compact-sm" variant="subtle" aria-label={`Send the ${s.device} away`}>
                        send away
                      </Button>
                    </Form>
                  </li>
                ))}
              </ul>
            )}
          </section>
          {network && (
            <section className={`${sheets.sheet} basin`} aria-labelledby="trust">
              <h2 className="figure" id="trust">Trusting this house</h2>
              <p>The line to the phone is encrypted with a certificate that this machine made for itself. No one outside vouches for it, so a browser warns once. You may go on past the warning at home, or have the phone trust the house for good:</p>
              <ol>
                <li>On the phone, open <code className={classes.address}>{network.addresses[0]!}/authority.pem</code> and keep the file it offers.</li>
                <li>Where the phone’s settings speak of profiles: install the one that was downloaded, then switch it on under General, About, Certificate Trust Settings. Where they speak of certificates: Security, Install a certificate, CA certificate, and choose the file.</li>
                <li>Before you switch it on, compare its SHA-256 fingerprint with this one:</li>
              </ol>
              <p className={classes.fingerprint}>{network.fingerprint}</p>
              <p className="quiet small">It can vouch for addresses inside of a home and for names that end in .local, .lan or home.arpa, and for this machine’s own name; for nothing else on the web. Its key stays in the data folder of this machine and is in no copy of the house. To take the trust back, remove “Omsel at home” on the phone.</p>
            </section>
          )}
        </>
      )}
    </main>
  )
}
