import { reliability } from './reliability'
import { study } from './study'
import { OUR_WORLD, WRONG_WORLDS } from './worlds'

/** How fast a kitchen is learned, in our world and in others, and whether the odds on the way can be believed. */
const households = Number(process.argv[2] ?? 200)
const given = { households, cooks: 6, seed: 11 }
for (const weighed of [false, true]) {
  const { rms, halved, farOff } = study({ ...given, weighed })
  console.log(
    `${households} households, ${weighed ? 'with the full pot weighed' : 'with ratings only'}; ${farOff} of them off by over 0.12 g/g at first`,
  )
  rms.forEach((error, i) =>
    console.log(
      `  after ${i} batches   error ${error.toFixed(3)} g/g (${(error / rms[0]!).toFixed(2)} of the start)   halved ${Math.round(halved[i]! * 100)} %`,
    ),
  )
}
console.log('\nWhat is left of the error after five batches, rated only and weighed too')
for (const world of [OUR_WORLD, ...WRONG_WORLDS]) {
  const [rated, weighed] = [false, true].map((w) => {
    const { rms } = study({ ...given, weighed: w, world })
    return (rms[5]! / rms[0]!).toFixed(2)
  })
  console.log(`  ${rated}  ${weighed}  ${world.says}`)
}
console.log('\nOdds promised before a batch, and how many such batches ended well (rated only)')
for (const { from, to, batches, promised, good } of reliability({
  ...given,
  weighed: false,
  kitchens: 200,
}).bins)
  console.log(
    `  ${from} to ${to}   ${batches} batches   promised ${promised.toFixed(3)}   good ${good.toFixed(3)}`,
  )
