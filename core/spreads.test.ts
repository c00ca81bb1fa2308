import { randomOf } from '#core/random'
import { luckOf } from '#core/simulate/sweep'
import { SPREADS } from './spreads'

const MANY = 20_000
const drawn = (waterWithSteam?: number) => {
  const random = randomOf(4)
  const spreads = { ...SPREADS, ...(waterWithSteam === undefined ? {} : { waterWithSteam }) }
  return Array.from({ length: MANY }, () => luckOf(random, spreads))
}
const mean = (list: number[]) => list.reduce((a, b) => a + b, 0) / list.length
const sd = (list: number[]) => Math.sqrt(mean(list.map((x) => (x - mean(list)) ** 2)))

test.each([undefined, -0.9, -0.4, 0, 0.7, 1])(
  'water and steam are drawn with the correlation asked (%s), each as far apart as its table says',
  (asked) => {
    const luck = drawn(asked)
    const [wants, steam] = [luck.map((l) => l.wants), luck.map((l) => l.steam)]
    const [w, s] = [mean(wants), mean(steam)]
    const correlation = mean(luck.map((l) => (l.wants - w) * (l.steam - s))) / (sd(wants) * sd(steam))
    // Twenty thousand draws: a standard error of 0.007.
    expect(Math.abs(correlation - (asked ?? 0))).toBeLessThan(0.03)
    expect(sd(wants) / SPREADS.water).toBeCloseTo(1, 1)
    expect(sd(steam) / SPREADS.steam).toBeCloseTo(1, 1)
  },
)
