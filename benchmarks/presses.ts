import { randomUUID } from 'node:crypto'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { setTimeout as pause } from 'node:timers/promises'
import { FIRST_KITCHEN } from '../server/commands/begin-household'
import { startCook } from '../server/commands/start-cook'
import { LARGE, makeHousehold } from './large-household'
import { say } from './say'
import { served, simulateWhile, type Served } from './served'

/**
 * A large household in which sixty-four clients read pages without a pause and heavy questions run: how soon a
 * press at the stove is answered, and how soon a page. Needs a build.
 */
const CLIENTS = 64
const SECONDS = 30
const PRESS_EVERY_MS = 250
const PAGES = ['/', '/stove', '/notebook', '/leftovers', '/grains', '/pots', '/meal', '/settings']
const folder = mkdtempSync(join(tmpdir(), 'omsel-presses-'))

const kitchen = makeHousehold(folder, LARGE)
const started = startCook(
  kitchen,
  {
    request: { grains: [{ variety: 'short-white' }], amount: { basis: 'dry-mass', value: 300 } },
    vessel_id: FIRST_KITCHEN.vessels.find((v) => v.kind === 'pot')!.id,
    heat_id: FIRST_KITCHEN.heats[0]!.id,
  },
  Date.now(),
)
if (!started.ok) throw new Error(started.errors[0]!.message)
const cook = started.value
const stage = kitchen.cooks.find(cook)!.plan.stages[0]!.id
kitchen.db.close()

try {
  await served(4880, measure, join(folder, 'omsel.sqlite'))
} finally {
  rmSync(folder, { recursive: true, force: true })
}

async function measure({ address }: Served): Promise<void> {
  let wrong = 0
  const timed = async (ask: () => Promise<Response>, into: number[]) => {
    const start = performance.now()
    const answer = await ask()
    await answer.text()
    into.push(performance.now() - start)
    if (!answer.ok) wrong++
  }
  const press = () =>
    fetch(`${address}/cooks/${cook}/events`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', origin: address },
      body: JSON.stringify({
        id: randomUUID(),
        kind: 'lid-lifted',
        stage,
        seconds: 1,
        pressed_ms: Date.now(),
        sent_ms: Date.now(),
      }),
    })
  const presses = async (until: () => boolean) => {
    const times: number[] = []
    while (until()) {
      await timed(press, times)
      await pause(PRESS_EVERY_MS)
    }
    return times
  }
  for (const path of PAGES) await fetch(address + path)
  let pressed = 0
  const quiet = await presses(() => pressed++ < 20)
  const pages: number[] = []
  const end = performance.now() + SECONDS * 1000
  const going = () => performance.now() < end
  const readers = Array.from({ length: CLIENTS }, async (_, client) => {
    for (let n = client; going(); n++) await timed(() => fetch(address + PAGES[n % PAGES.length]!), pages)
  })
  const heavy = simulateWhile(address, going)
  const busy = await presses(going)
  await Promise.all([...readers, heavy])
  const ms = (n: number) => `${n.toFixed(0)} ms`
  say('a press in a large household, nobody else there', `p50 ${ms(share(quiet, 0.5))}`)
  say(
    `a press while ${CLIENTS} clients read and two thousand kitchens are simulated`,
    `p50 ${ms(share(busy, 0.5))}, p99 ${ms(share(busy, 0.99))}${wrong > 0 ? `, ${wrong} WRONG` : ''}`,
    `${(share(busy, 0.5) / share(quiet, 0.5)).toFixed(1)} of that; limit 100 ms`,
  )
  say(
    'pages meanwhile',
    `${Math.round(pages.length / SECONDS)} a second, p50 ${ms(share(pages, 0.5))}, p99 ${ms(share(pages, 0.99))}`,
    `${pages.length} of them; limit 1500 ms`,
  )
}

function share(list: number[], part: number): number {
  return [...list].sort((a, b) => a - b)[Math.min(list.length - 1, Math.floor(list.length * part))]!
}
