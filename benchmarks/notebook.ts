import { spawn } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { VARIETIES } from '#core/grain/varieties'
import { randomOf } from '#core/random'
import { beginHousehold, FIRST_KITCHEN } from '../server/commands/begin-household'
import { openKitchen } from '../server/store/open-household'
import { note } from '../server/commands/rebuild-entry'
import { currentBeliefs } from '../server/queries/beliefs'
import { startCook } from '../server/commands/start-cook'
import { say } from './say'

/**
 * Ten thousand cooks: what the notebook and its pages take on a real server, beside a page that asks nothing.
 * Needs a build.
 */
const COOKS = Number(process.argv[2] ?? 10_000)
const PORT = 4879
const address = `http://127.0.0.1:${PORT}`
const folder = mkdtempSync(join(tmpdir(), 'omsel-notebook-'))
const file = join(folder, 'omsel.sqlite')
const median = (list: number[]): number => [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)]!

const kitchen = openKitchen(file)
beginHousehold(kitchen, FIRST_KITCHEN)
const random = randomOf(3)
const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!
const DAY = 86_400_000
const first = Date.now() - COOKS * 0.4 * DAY
// A hundred plans, each cooked a hundred times on its own days.
const kinds = Array.from({ length: Math.max(1, Math.ceil(COOKS / 100)) }, () => {
  const vessel = pick(FIRST_KITCHEN.vessels.filter((v) => v.kind === 'pot'))
  const heat = pick(FIRST_KITCHEN.heats)
  const request = {
    grains: [{ variety: pick(VARIETIES).id }],
    amount: { basis: 'dry-mass' as const, value: 150 + Math.floor(random() * 400) },
  }
  const started = startCook(kitchen, { request, vessel_id: vessel.id, heat_id: heat.id }, first)
  if (!started.ok) throw new Error(started.errors[0]!.message)
  return kitchen.cooks.find(started.value)!
})
kitchen.db.transaction(() => {
  for (const { id } of kinds) kitchen.cooks.remove(id)
  for (let i = 0; i < COOKS; i++) {
    const kind = kinds[i % kinds.length]!
    const startedMs = Math.round(first + i * 0.4 * DAY)
    const id = `cook-${i}`
    kitchen.cooks.add({ ...kind, id, startedMs })
    const last = kind.plan.stages.at(-1)!.id
    const endedMs = startedMs + 3_600_000
    kitchen.cooks.append(id, {
      id: `${id}-end`,
      kind: 'finish',
      stage: last,
      identity: `finish ${last} 0`,
      deviceMs: endedMs,
      atMs: endedMs,
      receivedMs: endedMs,
    })
    kitchen.cooks.judge(id, {
      ratedMs: endedMs,
      wetDry: Math.round((random() - 0.5) * 3),
      hardness: Math.round((random() - 0.5) * 2),
      bottom: 'clean',
      note: random() < 0.3 ? 'for the choir' : '',
      separate: null,
      even: 'even',
      ate: '',
    })
  }
})()
const noting = performance.now()
kitchen.db.transaction(() => {
  for (let i = 0; i < COOKS; i++) note(kitchen, `cook-${i}`)
})()
say(
  `${COOKS} cooks (more than ten years of them) noted`,
  `${((performance.now() - noting) / COOKS).toFixed(2)} ms each`,
)
const thinking = performance.now()
const { beliefs } = currentBeliefs(kitchen)
say(
  'all beliefs computed again from them',
  `${(performance.now() - thinking).toFixed(0)} ms`,
  `${beliefs.state.names.length} figures`,
)
kitchen.db.close()

const server = spawn('node', ['server.js'], {
  env: {
    ...process.env,
    PORT: String(PORT),
    HOST: '127.0.0.1',
    NODE_ENV: 'production',
    OMSEL_DATABASE: file,
  },
  stdio: 'ignore',
})
try {
  for (
    let tries = 0;
    tries < 800 &&
    !(await fetch(`${address}/healthz`).then(
      (r) => r.ok,
      () => false,
    ));
    tries++
  )
    await new Promise((r) => setTimeout(r, 25))
  const time = async (path: string, times = 25) => {
    const list: number[] = []
    for (let i = 0; i < times; i++) {
      const start = performance.now()
      await (await fetch(address + path)).text()
      list.push(performance.now() - start)
    }
    return { first: list[0]!, median: median(list.slice(1)) }
  }
  await time('/settings', 20) // warm
  const empty = (await time('/grains')).median
  say('with them, a page that asks little', `${empty.toFixed(1)} ms`)
  for (const path of [
    '/notebook',
    '/notebook?page=100',
    `/notebook?grain=${kinds[0]!.grainKey}`,
    '/notebook?q=choir',
    '/notebook?was=wet&pot=heavy-pot',
    '/notebook/learned',
    '/notebook/cook-17',
  ]) {
    const { first, median: usual } = await time(path)
    say(
      `with them, ${path}`,
      `${usual.toFixed(1)} ms, the first ${first.toFixed(0)}`,
      `${(usual / empty).toFixed(1)} of that; limit 60 ms`,
    )
  }
} finally {
  server.kill()
  rmSync(folder, { recursive: true, force: true })
}
