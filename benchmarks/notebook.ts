import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { note } from '../server/commands/rebuild-entry'
import { currentBeliefs } from '../server/queries/beliefs'
import { makeHousehold } from './large-household'
import { say } from './say'
import { served, type Served } from './served'

/**
 * Ten thousand batches: what the notebook and its pages take on a real server, beside a page that asks nothing.
 * Needs a build.
 */
const BATCHES = Number(process.argv[2] ?? 10_000)
const PORT = 4879
const folder = mkdtempSync(join(tmpdir(), 'omsel-notebook-'))
const median = (list: number[]): number => [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)]!

const kitchen = makeHousehold(folder, { batches: BATCHES, containers: 0, pots: 0, bags: 0, meals: 0 })
const grain = kitchen.cooks.find('cook-0')!.grainKey
const noting = performance.now()
kitchen.db.transaction(() => {
  for (let i = 0; i < BATCHES; i++) note(kitchen, `cook-${i}`)
})()
say(
  `${BATCHES} batches (more than ten years of them) entered`,
  `${((performance.now() - noting) / BATCHES).toFixed(2)} ms each`,
)
const thinking = performance.now()
const { beliefs } = currentBeliefs(kitchen)
say(
  'all beliefs computed again from them',
  `${(performance.now() - thinking).toFixed(0)} ms`,
  `${beliefs.state.names.length} figures`,
)
kitchen.db.close()

try {
  await served(PORT, measure, join(folder, 'omsel.sqlite'))
} finally {
  rmSync(folder, { recursive: true, force: true })
}

async function measure({ address }: Served): Promise<void> {
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
    `/notebook?grain=${grain}`,
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
}
