import autocannon from 'autocannon'
import { VARIETY_IDS } from '#core/grain/varieties'
import { say } from './say'
import { served, simulateWhile } from './served'

/**
 * Load on loopback for a bounded minute in all: pages and plans beside a question nobody answers, of the same
 * server in the same run; then whether it has grown. Needs a build.
 */
const SECONDS = 8
const CONNECTIONS = 8
/** Requests after which memory is looked at, again and again. */
const ROUNDS = 6

const plans = (many: number) =>
  Array.from({ length: many }, (_, i) =>
    JSON.stringify({
      grains: [{ variety: VARIETY_IDS[i % VARIETY_IDS.length] }],
      amount: { basis: 'dry-mass', value: 200 + i },
    }),
  )
const asked = (path: string, bodies: string[]) =>
  bodies.map((body) => ({
    method: 'POST' as const,
    path,
    headers: { 'content-type': 'application/json' },
    body,
  }))

await served(4886, async ({ address, memoryMb }) => {
  const fire = async (requests: autocannon.Request[], seconds = SECONDS) => {
    const result = await autocannon({ url: address, connections: CONNECTIONS, duration: seconds, requests })
    return {
      perSecond: result.requests.average,
      p50: result.latency.p50,
      p99: result.latency.p99,
      wrong: result.errors + result.timeouts + result['5xx'],
    }
  }
  const usual = plans(40)
  await fire(asked('/api/v1/plan', usual), 4) // warm
  const empty = await fire(asked('/api/v1/nothing', usual))
  const wordsOf = (r: Awaited<ReturnType<typeof fire>>) =>
    `${Math.round(r.perSecond)} a second, p50 ${r.p50} ms, p99 ${r.p99} ms${r.wrong > 0 ? `, ${r.wrong} WRONG` : ''}`
  const share = (r: Awaited<ReturnType<typeof fire>>) =>
    `${Math.round((100 * r.perSecond) / empty.perSecond)} % of it`
  say(`a question nobody answers, ${CONNECTIONS} at once`, wordsOf(empty), 'the empty route')
  const again = await fire(asked('/api/v1/plan', usual))
  say('plans, forty of them over and over', wordsOf(again), `${share(again)}; limit 60 %`)
  // No two connections may ask the same, so what is asked next is settled as it is sent.
  let grams = 150
  const another: autocannon.Request = {
    ...asked('/api/v1/plan', [''])[0]!,
    setupRequest: (request) => ({
      ...request,
      body: JSON.stringify({
        grains: [{ variety: VARIETY_IDS[Math.round((grams += 0.1) * 10) % VARIETY_IDS.length] }],
        amount: { basis: 'dry-mass', value: Math.round(grams * 10) / 10 },
      }),
    }),
  }
  const ever = await fire([another])
  say('plans, every one another, none known', wordsOf(ever), share(ever))
  const page = await fire([{ method: 'GET', path: '/notebook' }])
  say('the notebook’s page', wordsOf(page), share(page))
  const plan = await fire([{ method: 'GET', path: '/?grain=short-white&for=5' }])
  say('the plan page', wordsOf(plan), share(plan))
  const quiet = await fire([{ method: 'GET', path: '/stove' }])
  let simulating = true
  const kitchens = simulateWhile(address, () => simulating)
  const meanwhile = await fire([{ method: 'GET', path: '/stove' }])
  simulating = false
  const simulated = await kitchens
  say('the stove’s page', wordsOf(quiet))
  say(
    'the stove’s page, while two thousand kitchens are simulated',
    wordsOf(meanwhile),
    `${Math.round((100 * meanwhile.perSecond) / quiet.perSecond)} % of the quiet stove; ${simulated} times two thousand`,
  )
  const memory: number[] = []
  for (let n = 0; n < ROUNDS; n++) {
    await fire(
      [
        ...asked('/api/v1/plan', usual),
        { method: 'GET', path: '/notebook' },
        { method: 'GET', path: '/stove' },
      ],
      4,
    )
    memory.push(memoryMb())
  }
  const half = memory.slice(-3)
  say(
    'memory of the server over that and 24 s more',
    memory.map((m) => Math.round(m)).join(', ') + ' MB',
    `the last three within ${Math.round(Math.max(...half) - Math.min(...half))} MB; limit 260 MB`,
  )
})
