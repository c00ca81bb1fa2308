import { scheduleFrom, type Schedule } from './schedule'

const CHOIR = {
  serve_at: '2026-03-05T19:00:00+01:00',
  burners: [
    { id: 'small-gas', heat: 'gas-small' },
    { id: 'big-gas', heat: 'gas-large' },
    { id: 'plug-in', heat: 'induction' },
  ],
  appliances: [
    { id: 'scoop-cooker', vessel: 'cooker-5' },
    { id: 'pressure-pot', vessel: 'pressure-electric-5' },
  ],
  cooks: 2,
  dishes: [
    {
      id: 'short-white',
      grains: [{ variety: 'short-white' }],
      amount: { basis: 'servings', value: 8 },
      vessel: 'heavy-3.5',
      elevation_m: 1120,
    },
    {
      id: 'long-white',
      grains: [{ variety: 'long-white' }],
      amount: { basis: 'servings', value: 6 },
      method: 'switch-cooker',
      vessel: 'cooker-5',
      elevation_m: 1120,
    },
    {
      id: 'barley',
      grains: [{ variety: 'barley-hulled' }],
      amount: { basis: 'servings', value: 4 },
      method: 'pressure-electric',
      vessel: 'pressure-electric-5',
      elevation_m: 1120,
    },
    {
      id: 'roots',
      title: 'roast roots',
      tasks: [
        { id: 'cut', title: 'Peel and cut', minutes: 15, hands_on: true },
        { id: 'roast', title: 'Roast', minutes: 45, needs: 'oven', look_in_every_min: 20 },
      ],
    },
    {
      id: 'soup',
      title: 'nettle soup',
      hold_max_minutes: 45,
      tasks: [
        { id: 'sweat', title: 'Sweat', minutes: 8, hands_on: true, needs: 'burner' },
        { id: 'simmer', title: 'Simmer', minutes: 20, needs: 'burner' },
      ],
    },
    {
      id: 'trout',
      title: 'poached trout',
      hold_max_minutes: 10,
      tasks: [
        { id: 'poach', title: 'Poach', minutes: 12, needs: 'burner' },
        { id: 'lift', title: 'Lift out', minutes: 5, hands_on: true },
      ],
    },
  ],
}
const schedule = (more: Record<string, unknown> = {}): Schedule => {
  const read = scheduleFrom({ ...CHOIR, ...more })
  if (!read.ok) throw new Error(read.errors.map((e) => e.message).join())
  return read.value
}
const errorsOf = (more: Record<string, unknown>) => {
  const read = scheduleFrom({ ...CHOIR, ...more })
  return read.ok ? [] : read.errors
}
const ms = (text: string) => Date.parse(text)

/** Reads a schedule off its own sheet: nothing twice at one place, no more hands than there are, every order kept. */
function faults(s: Schedule, cooks: number): string[] {
  const found: string[] = []
  const serve = ms(CHOIR.serve_at)
  const all = s.dishes.flatMap((d) => d.tasks.map((t) => ({ ...t, dish: d.id })))
  for (const d of s.dishes) {
    d.tasks.forEach((t, i) => {
      const next = d.tasks[i + 1]
      if (next && ms(t.ends_at) > ms(next.starts_at)) found.push(`${d.id}: ${t.id} runs into ${next.id}`)
      if (ms(t.ends_at) > serve) found.push(`${d.id}: ${t.id} after the table`)
    })
    if ((serve - ms(d.ready_at)) / 60_000 !== d.held_minutes) found.push(`${d.id}: held otherwise than told`)
  }
  for (const place of new Set(all.map((t) => t.resource).filter((r) => r !== undefined))) {
    // A pot stays on its burner from its first heat to its last.
    const spans = s.dishes
      .flatMap((d) => {
        const there = d.tasks.filter((t) => t.resource === place)
        return d.id === 'soup' || d.id === 'trout'
          ? there.map((t) => [ms(t.starts_at), ms(t.ends_at)] as const)
          : there.length === 0
            ? []
            : [[ms(there[0]!.starts_at), ms(there.at(-1)!.ends_at)] as const]
      })
      .sort((a, b) => a[0] - b[0])
    spans.forEach(([from], i) => i > 0 && from < spans[i - 1]![1] && found.push(`${place} twice`))
  }
  const edges = all
    .filter((t) => t.hands_on)
    .flatMap(
      (t) =>
        [
          [ms(t.starts_at), 1],
          [ms(t.ends_at), -1],
        ] as const,
    )
    .sort((a, b) => a[0] - b[0] || a[1] - b[1])
  let hands = 0
  for (const [, by] of edges) if ((hands += by) > cooks) found.push('hands')
  return found
}

test('the choir meal fits two cooks, and everything is ready within its hold', () => {
  const s = schedule()
  expect([s.feasible, s.conflicts]).toEqual([true, []])
  expect(faults(s, 2)).toEqual([])
  for (const d of s.dishes) expect(d.held_minutes).toBeLessThanOrEqual(d.id === 'trout' ? 10 : 45)
  expect(s.dishes.reduce((sum, d) => sum + d.held_minutes, 0)).toBeLessThan(30)
  expect(ms(s.start_at)).toBe(Math.min(...s.dishes.flatMap((d) => d.tasks.map((t) => ms(t.starts_at)))))
})

test('appliances are their own places, and a pot is planned for the burner it stands on', () => {
  const s = schedule()
  const at = (id: string) =>
    new Set(
      s.dishes
        .find((d) => d.id === id)!
        .tasks.map((t) => t.resource)
        .filter(Boolean),
    )
  expect([...at('long-white')]).toEqual(['scoop-cooker'])
  expect([...at('barley')]).toEqual(['pressure-pot'])
  expect([...at('short-white')].every((r) => ['small-gas', 'big-gas', 'plug-in'].includes(r!))).toBe(true)
  const slow = schedule({ burners: [CHOIR.burners[0]], dishes: [CHOIR.dishes[0]] })
  const fast = schedule({ burners: [CHOIR.burners[1]], dishes: [CHOIR.dishes[0]] })
  const boil = (x: Schedule) => {
    const t = x.dishes[0]!.tasks.find((o) => o.id === 'heat-up')!
    return ms(t.ends_at) - ms(t.starts_at)
  }
  expect(boil(slow)).toBeGreaterThan(1.8 * boil(fast))
})

test('what cannot be done is said, with the nearest that can', () => {
  const hot = (id: string) => ({
    id,
    title: id,
    hold_max_minutes: 0,
    tasks: [{ id: 'cook', title: 'cook', minutes: 20, needs: 'burner' }],
  })
  const s = schedule({ burners: [CHOIR.burners[0]], dishes: [hot('left'), hot('right')], cooks: 1 })
  expect(s.feasible).toBe(false)
  expect(s.conflicts[0]).toMatch(/^(left|right): “cook” would be done too soon; it may be held 0 min/)
  expect(s.nearest).toContain('With one more burner, or one dish in an appliance, it can be done.')
  expect(s.nearest.join()).toMatch(/ready 30 min early/)
  const none = schedule({ burners: [], dishes: [hot('left')] })
  expect(none.conflicts).toEqual(['left: “cook” needs a burner, and there is none.'])
})

test('too late to begin: it says by when it could be', () => {
  const s = schedule({ not_before: '2026-03-05T18:40:00+01:00' })
  expect(s.feasible).toBe(false)
  const late = ms('2026-03-05T18:40:00+01:00') - ms(s.start_at)
  expect(ms(s.ready_by!) - ms(CHOIR.serve_at)).toBe(Math.ceil(late / 60_000) * 60_000)
})

test('an overnight soak starts the evening before, and a spring night has an hour less on the wall', () => {
  const brown = {
    id: 'brown',
    grains: [{ variety: 'brown-short' }],
    amount: { basis: 'servings', value: 4 },
    soak: { minutes: 600, celsius: 5 },
  }
  const s = schedule({ serve_at: '2026-03-29T12:00:00+02:00', dishes: [brown], burners: [CHOIR.burners[1]] })
  const soak = s.dishes[0]!.tasks.find((t) => t.id === 'soak')!
  expect(ms(soak.ends_at) - ms(soak.starts_at)).toBe(600 * 60_000)
  expect(soak.starts_at < '2026-03-29T01:00:00Z').toBe(true)
})

test.each([
  [{ serve_at: 'tonight' }, 'serve_at'],
  [{ dishes: [] }, 'dishes'],
  [{ cooks: 9 }, 'cooks'],
  [{ burners: [{ id: 'x', heat: 'sun' }], dishes: [CHOIR.dishes[0]] }, 'burners.0.heat'],
  [
    { dishes: [{ id: 'a', grains: [{ variety: 'gravel' }], amount: { basis: 'servings', value: 2 } }] },
    'dishes.0.grains.0.variety',
  ],
  [{ dishes: [CHOIR.dishes[3], CHOIR.dishes[3]] }, 'dishes.1.id'],
  [{ dishes: [{ id: 'a', tasks: [{ id: 'x', title: 'x', minutes: NaN }] }] }, 'dishes.0.tasks.0.minutes'],
  [{ dishes: [{ id: 'a', tasks: [{ id: 'x', title: 'x', minutes: 5, after: ['z'] }] }] }, 'dishes.0.tasks'],
  [{ appliances: [], dishes: [CHOIR.dishes[1]] }, 'dishes.0.vessel'],
  [{ dishes: [{ ...CHOIR.dishes[4], hold_max_minutes: -3 }] }, 'dishes.0.hold_max_minutes'],
  [{ dishes: Array.from({ length: 13 }, (_, i) => ({ ...CHOIR.dishes[4], id: `d${i}` })) }, 'dishes'],
])('%j is refused by its name', (more, path) => {
  const errors = errorsOf(more as Record<string, unknown>)
  expect(errors.map((e) => e.path)).toContain(path)
  expect(errors[0]!.message.length).toBeGreaterThan(path.length + 5)
})

test('a dish wanted on a burner, or ready earlier, is there, and the rest goes round it', () => {
  const fixed = CHOIR.dishes.map((d) =>
    d.id === 'short-white' ? { ...d, burner: 'small-gas', ready_before_minutes: 20 } : d,
  )
  const s = schedule({ dishes: fixed })
  const rice = s.dishes.find((d) => d.id === 'short-white')!
  expect(new Set(rice.tasks.map((t) => t.resource).filter(Boolean))).toEqual(new Set(['small-gas']))
  expect(rice.held_minutes).toBe(20)
  expect(faults(s, 2)).toEqual([])
  expect(errorsOf({ dishes: [{ ...CHOIR.dishes[0], burner: 'the-sun' }] })[0]!.path).toBe('dishes.0.burner')
})

describe('dishes that share a pot, wait for each other or stand on each other', () => {
  const grains = (id: string, more: object = {}) => ({
    id,
    grains: [{ variety: 'quinoa' }],
    amount: { basis: 'servings', value: 3 },
    vessel: 'heavy-2.5',
    ...more,
  })
  const stew = (more: object = {}) => ({
    id: 'stew',
    title: 'leek stew',
    tasks: [{ id: 'simmer', title: 'Simmer', minutes: 30, needs: 'burner' }],
    ...more,
  })
  const evening = (dishes: object[], more: object = {}) => ({
    serve_at: '2026-03-05T19:00:00+01:00',
    burners: [
      { id: 'one', heat: 'gas-medium' },
      { id: 'two', heat: 'gas-medium' },
    ],
    dishes,
    ...more,
  })
  const scheduled = (dishes: object[]): Schedule => {
    const read = scheduleFrom(evening(dishes))
    if (!read.ok) throw new Error(read.errors.map((e) => e.message).join('; '))
    return read.value
  }
  const at = (schedule: Schedule, dish: string, task: string) => {
    const found = schedule.dishes.find((d) => d.id === dish)!.tasks.find((t) => t.id === task)!
    return { ...found, from: Date.parse(found.starts_at), to: Date.parse(found.ends_at) }
  }

  test('a pot named by two dishes is emptied and washed before it is filled again', () => {
    const together = scheduled([grains('a'), grains('b')])
    expect(together.notes).toEqual([])
    const inTurn = scheduled([grains('a', { pot: 'blue' }), grains('b', { pot: 'blue' })])
    expect(inTurn.feasible).toBe(true)
    const [first, second] = ['a', 'b'].sort((x, y) => at(inTurn, x, 'pour').from - at(inTurn, y, 'pour').from)
    expect(at(inTurn, second!, 'pour').from - at(inTurn, first!, 'fluff').to).toBeGreaterThanOrEqual(
      5 * 60_000,
    )
    expect(inTurn.notes).toHaveLength(1)
    expect(scheduled([grains('a', { pot: 'blue' }), grains('b', { pot: 'red' })]).notes).toEqual([])
  })

  test('a dish that comes after another is heated once that is done', () => {
    const schedule = scheduled([stew(), grains('a', { after: ['stew'] })])
    expect(at(schedule, 'a', 'heat-up').from).toBeGreaterThanOrEqual(at(schedule, 'stew', 'simmer').to)
  })

  test('over its boiler it takes the same burner, within minutes', () => {
    const schedule = scheduled([
      stew(),
      grains('a', {
        grains: [{ variety: 'glutinous' }],
        method: 'steam',
        vessel: 'basket-5',
        boiler_dish: { name: 'leek stew', liquid_g: 1500 },
        over: 'stew',
      }),
    ])
    expect(schedule.conflicts).toEqual([])
    const hot = schedule.dishes[1]!.tasks.find((t) => t.resource !== undefined)!
    const simmer = at(schedule, 'stew', 'simmer')
    expect(hot.resource).toBe(simmer.resource)
    expect(Date.parse(hot.starts_at)).toBeGreaterThanOrEqual(simmer.to)
    const block = schedule.dishes[1]!.tasks.map((t) => Date.parse(t.starts_at)).filter(
      (ms) => ms >= simmer.to,
    )
    expect(Math.min(...block) - simmer.to).toBeLessThanOrEqual(5 * 60_000)
  })

  test.each([
    [[stew(), grains('a', { after: ['soup'] })], 'dishes.1.after.0'],
    [[stew(), grains('a', { after: ['a'] })], 'dishes.1.after.0'],
    [[stew(), grains('a', { over: 'soup' })], 'dishes.1.over'],
    [[grains('a', { after: ['b'] }), grains('b', { after: ['a'] })], 'dishes'],
    [[grains('a', { pot: '' })], 'dishes.0.pot'],
  ])('%j is refused at %s', (dishes, path) => {
    const read = scheduleFrom(evening(dishes))
    expect(read.ok ? [] : read.errors.map((e) => e.path)).toEqual([path])
  })
})

test.each([
  ['an appliance', { vessel: 'cooker-5', method: 'switch-cooker' }, 'scoop-cooker'],
  ['a pot', { vessel: 'heavy-3.5' }, undefined],
])('grain cooked in %s and fried at the end is fried on a burner', (_where, more, cooked) => {
  const read = scheduleFrom({
    ...CHOIR,
    dishes: [
      {
        id: 'rice',
        grains: [{ variety: 'long-white' }],
        amount: { basis: 'servings', value: 4 },
        purpose: 'frying',
        fry_at_end: true,
        ...more,
      },
    ],
  })
  if (!read.ok) throw new Error(read.errors[0]!.message)
  const { tasks } = read.value.dishes[0]!
  const fry = tasks.find((t) => t.id === 'fry')!
  expect(CHOIR.burners.map(({ id }) => id)).toContain(fry.resource)
  if (cooked) expect(tasks.find((t) => t.resource !== undefined)!.resource).toBe(cooked)
})
