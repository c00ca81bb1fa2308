import { study } from './study'

/** How fast a kitchen is learned: simulated households whose bag, pot and burner nobody told. */
const households = Number(process.argv[2] ?? 200)
for (const weighed of [false, true]) {
  const cooks = 6
  const { rms, halved, farOff } = study({ households, cooks, seed: 11, weighed })
  console.log(
    `${households} households, ${weighed ? 'with the full pot weighed' : 'with ratings only'}; ${farOff} of them off by over 0.12 g/g at first`,
  )
  for (let i = 0; i <= cooks; i++)
    console.log(
      `  after ${i} cooks   error ${rms[i]!.toFixed(3)} g/g (${(rms[i]! / rms[0]!).toFixed(2)} of the start)   halved ${Math.round(halved[i]! * 100)} %`,
    )
}
