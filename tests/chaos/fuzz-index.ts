import { fuzz } from './fuzz'

/** `npm run fuzz [requests] [seed]`: needs a build. */
const [requests, seed] = [Number(process.argv[2] ?? 20_000), Number(process.argv[3] ?? 1)]
const result = await fuzz({ requests, seed, port: 4878, say: (done) => console.log(`${done} requests`) })
console.log(
  `${result.requests} requests: ${JSON.stringify(result.answers)}, the slowest ${Math.round(result.slowestMs)} ms, ${result.wrong.length} wrong`,
)
for (const line of result.wrong.slice(0, 25)) console.log(line)
process.exitCode = result.wrong.length > 0 ? 1 : 0
