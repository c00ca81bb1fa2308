import { chaos } from './kill-test'

/** `npm run chaos [runs] [seed]`: needs a build. */
const [runs, seed] = [Number(process.argv[2] ?? 200), Number(process.argv[3] ?? 1)]
const result = await chaos({
  runs,
  seed,
  port: 4879,
  say: (run) => (run + 1) % 20 === 0 && console.log(`${run + 1} kills`),
})
console.log(
  `${result.runs} kills, ${result.pressed} presses, ${result.acknowledged} acknowledged, ` +
    `${result.sent} forms and starts, ${result.answered} answered; ${result.wrong.length} wrong`,
)
for (const line of result.wrong.slice(0, 20)) console.log(line)
process.exitCode = result.wrong.length > 0 ? 1 : 0
