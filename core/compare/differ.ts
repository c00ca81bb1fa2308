import type { Plan, Stage } from '#core/plan/result'
import type { Side } from './side'

/** The steam of a stage that tells two ways apart, in words of what it is. */
const LONG_STAGES: readonly Stage['kind'][] = ['simmer', 'boil', 'steam', 'bake', 'pressure', 'ladle']

const expected = (plan: Plan, kinds: readonly Stage['kind'][]): number =>
  plan.stages.filter((s) => kinds.includes(s.kind)).reduce((sum, s) => sum + s.minutes.expected, 0)
const kindOf = (plan: Plan): string => {
  const longest = plan.stages
    .filter((s) => LONG_STAGES.includes(s.kind))
    .sort((a, b) => b.minutes.expected - a.minutes.expected)[0]
  return longest
    ? {
        simmer: 'simmer',
        boil: 'boil',
        steam: 'steaming',
        bake: 'bake',
        pressure: 'time under pressure',
        ladle: 'stirring',
      }[longest.kind as 'simmer']
    : 'cook'
}

/** "4 min", or "9 h 52" where nobody counts minutes. */
const span = (minutes: number): string => {
  const whole = Math.round(minutes)
  return whole < 90
    ? `${whole} min`
    : `${Math.floor(whole / 60)} h${whole % 60 === 0 ? '' : ` ${whole % 60}`}`
}

/**
 * Why one way asks for another water, clock or texture than the first: one sentence, computed from the two
 * ledgers.
 * @param names what each is called
 * @returns nothing where they hardly differ
 */
export function whyDiffer(a: Side, b: Side, names: { a: string; b: string }): string {
  const perG = (side: Side, g: number) => g / side.plan.grain.mass_g
  const [x, y] = [a.plan.water, b.plan.water]
  const pour = perG(b, y.pour_g) - perG(a, x.pour_g)
  // Each term as it moves the pour, g per g of dry grain.
  const terms = [
    {
      says: (more: boolean) => `the grain should absorb ${more ? 'more' : 'less'} water`,
      by: perG(b, y.absorbed_g) - perG(a, x.absorbed_g),
    },
    {
      says: (more: boolean) => (more ? 'more boils off' : 'less boils off'),
      by: perG(b, y.evaporated_g) - perG(a, x.evaporated_g),
    },
    {
      says: (more: boolean) => (more ? 'some is poured off again' : 'none is poured off'),
      by: perG(b, y.drained_off_g + y.left_in_pot_g) - perG(a, x.drained_off_g + x.left_in_pot_g),
    },
    {
      says: (more: boolean) => (more ? 'less is in the grain already' : 'more is in the grain already'),
      by: -(perG(b, y.carried_in_g) - perG(a, x.carried_in_g)),
    },
  ]
  const main = terms
    .filter(({ by }) => Math.sign(by) === Math.sign(pour))
    .sort((p, q) => Math.abs(q.by) - Math.abs(p.by))[0]
  const minutes = b.plan.total_minutes.expected - a.plan.total_minutes.expected
  const hot = expected(b.plan, LONG_STAGES) - expected(a.plan, LONG_STAGES)
  const water =
    Math.abs(pour) < 0.03 || !main
      ? `${names.b} takes the same water`
      : `${names.b} needs ${Math.abs(Math.round(pour * 100))} % of the grain’s weight ${pour > 0 ? 'more' : 'less'} water: ${main.says(main.by > 0)}`
  const time =
    Math.abs(minutes) < 2
      ? 'and as long'
      : `and ${span(Math.abs(minutes))} ${minutes > 0 ? 'more' : 'less'}${Math.abs(hot) > Math.abs(minutes) * 0.5 && Math.sign(hot) === Math.sign(minutes) ? `, most of it in the ${kindOf(hot > 0 ? b.plan : a.plan)}` : ''}`
  return `${water}, ${time}.`
}
