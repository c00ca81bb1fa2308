import autocannon from 'autocannon'
import { VARIETY_IDS } from '#core/grain/varieties'
import { say } from './say'
import { served } from './served'

/** Load on loopback for a bounded minute in all: pages and plans beside a question nobody answers, of the same server in the same run; then whether it has
 *  grown. Needs a build. */
const SECONDS = 10
const CONNECTIONS = 8
/** Requests after which memory is looked at, again and again. */
const ROUNDS = 6

const plans = (many: number) => Array.from({ length: many }, (_, i) => JSON.stringify({ grains: [{ variety: VARIETY_IDS[i % VARIETY_IDS.length] }], amount: { basis: 'dry-mass', value: 200 + i } }))
const asked = (path: string, bodies: string[]) => bodies.map((body) => ({ method: 'POST' as const, path, headers: { 'content-type': 'application/json' }, body }))

await served(4886, async ({ address, memoryMb }) => {
  const fire = async (requests: autocannon.Request[], seconds = SECONDS) => {
    const result = await autocannon({ url: address, connections: CONNECTIONS, duration: seconds, requests })
    return { perSecond: result.requests.average, p50: result.latency.p50, p99: result.latency.p99, wrong: result.errors + result.timeouts + result['5xx'] }
  }
  const usual = plans(40)
  await fire(asked('/api/v1/plan', usual), 4) // warm
  const empty = await fire(asked('/api/v1/nothing', usual))
  const told = (r: Awaited<ReturnType<typeof fire>>) => `${Math.round(r.perSecond)} a second, p50 ${r.p50} ms, p99 ${r.p99} ms${r.wrong > 0 ? `, ${r.wrong} WRONG` : ''}`
  const share = (r: Awaited<ReturnType<typeof fire>>) => `${Math.round((100 * r.perSecond) / empty.perSecond)} % of it`
  say(`a question nobody answers, ${CONNECTIONS} at once`, told(empty), 'the empty route')
  const again = await fire(asked('/api/v1/plan', usual))
  say('plans, forty of them over and over', told(again), `${share(again)}; limit 60 %`)
  const ever = await fire(asked('/api/v1/plan', plans(20_000).reverse()))
  say('plans, every one another', told(ever), share(ever))
  const page = await fire([{ method: 'GET', path: '/notebook' }])
  say('the notebook’s page', told(page), share(page))
  const bench = await fire([{ method: 'GET', path: '/?grain=short-white&for=5' }])
  say('the bench’s page, with its plan', told(bench), share(bench))
  const memory: number[] = []
  for (let n = 0; n < ROUNDS; n++) {
    await fire([...asked('/api/v1/plan', usual), { method: 'GET', path: '/notebook' }, { method: 'GET', path: '/stove' }], 4)
    memory.push(memoryMb())
  }
  const half = memory.slice(-3)
  say('memory of the server over that and 24 s more', memory.map((m) => Math.round(m)).join(', ') + ' MB', `the last three within ${Math.round(Math.max(...half) - Math.min(...half))} MB`)
})
