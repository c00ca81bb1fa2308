import { MAX_COPIED, parseCopied, type ImportContext } from './imported-batches'

const household: ImportContext = {
  grains: [
    { id: 'long-white', names: ['Long-grain white', 'from the valley shop'] },
    { id: 'quinoa', names: ['Quinoa'] },
  ],
  vessels: [
    { id: 'heavy-blue', name: 'the heavy blue' },
    { id: 'clay', name: 'clay' },
  ],
}
const read = (...rows: string[]) =>
  parseCopied(
    rows.map((row) => row.split(';')),
    household,
    '2026-03-05',
  )
const errors = (...rows: string[]) => {
  const got = read(...rows)
  return got.ok ? [] : got.errors.map(({ row, column, message }) => [row, column, message] as const)
}

test('rows in the usual order, in the words people write', () => {
  expect(
    read(
      '2025-11-03;Quinoa;220;310;clay;wet;a bit much',
      '4.12.2025;FROM THE VALLEY SHOP;260 g;415,5 ml;Heavy Blue;;',
    ),
  ).toEqual({
    ok: true,
    cooks: [
      {
        date: '2025-11-03',
        grains: [{ variety: 'quinoa', share: 1 }],
        dryG: 220,
        waterG: 310,
        vesselId: 'clay',
        wetDry: 1,
        note: 'a bit much',
      },
      {
        date: '2025-12-04',
        grains: [{ variety: 'long-white', share: 1 }],
        dryG: 260,
        waterG: 415.5,
        vesselId: 'heavy-blue',
        wetDry: null,
        note: '',
      },
    ],
  })
})

describe('days with slashes', () => {
  const rows = (...days: string[]) => days.map((day) => `${day};quinoa;200;300;clay`)
  const dates = (...days: string[]) => {
    const got = read(...rows(...days))
    return got.ok ? got.cooks.map(({ date }) => date) : got
  }

  test('one of them that can be read in one way only says how all are read', () => {
    expect(dates('3/11/2025', '25/12/2025')).toEqual(['2025-11-03', '2025-12-25'])
    expect(dates('3/11/2025', '12/25/2025')).toEqual(['2025-03-11', '2025-12-25'])
    // Others are what they are, whatever the order.
    expect(dates('12/25/2025', '2025-11-03', '3.11.2025')).toEqual(['2025-12-25', '2025-11-03', '2025-11-03'])
  })

  test('where all can be read in two ways, it is asked and not guessed', () => {
    expect(dates('3/11/2025', '5/5/2025')).toMatchObject({ ok: false, asksDayOrder: true })
    const table = rows('3/11/2025', '5/5/2025').map((row) => row.split(';'))
    const first = (order: 'day-month' | 'month-day') => {
      const got = parseCopied(table, household, '2026-03-05', order)
      return got.ok && got.cooks[0]!.date
    }
    expect(first('day-month')).toBe('2025-11-03')
    expect(first('month-day')).toBe('2025-03-11')
  })

  test('a table that contradicts itself names the rows it cannot read', () => {
    expect(errors(...rows('25/12/2025', '12/25/2025'))).toEqual([
      [2, 'date', expect.stringContaining('must be a day')],
    ])
  })
})

test('several grains are read with their shares; shares that do not make a whole are refused', () => {
  const got = read('2026-01-02;Quinoa 60 % + from the valley shop 40 %;200;300;clay')
  expect(got).toMatchObject({
    ok: true,
    cooks: [
      {
        grains: [
          { variety: 'quinoa', share: 0.6 },
          { variety: 'long-white', share: 0.4 },
        ],
      },
    ],
  })
  for (const grain of ['Quinoa 60 % + Quinoa 30 %', 'Quinoa + Long-grain white', 'Quinoa 60 % + x 40 %'])
    expect([grain, errors(`2026-01-02;${grain};200;300;clay`)]).toEqual([
      grain,
      [[1, 'grain', expect.stringContaining('several')]],
    ])
})

test('a heading says which column is which, in any order', () => {
  const got = read('Pot;Water;Dry g;Grain;When;Came out', 'clay;300;200;quinoa;2026-01-02;-2')
  expect(got).toMatchObject({ ok: true, cooks: [{ vesselId: 'clay', waterG: 300, dryG: 200, wetDry: -2 }] })
})

test('a wrong column is refused by name, and one that lacks as well', () => {
  expect(errors('date;grain;dry;water;pot;stars', '2026-01-02;quinoa;200;300;clay;5')).toEqual([
    [0, '', expect.stringContaining('"stars"')],
  ])
  expect(errors('date;grain;dry;water', '2026-01-02;quinoa;200;300')).toEqual([
    [0, 'pot', 'the heading lacks pot'],
  ])
  expect(errors('date;date;grain;dry;water;pot', 'x')).toEqual([
    [0, 'date', expect.stringContaining('twice')],
  ])
})

test.each([
  ['31.2.2026;quinoa;200;300;clay', 'date'],
  ['2027-01-01;quinoa;200;300;clay', 'date'],
  ['2026-01-02;gravel;200;300;clay', 'grain'],
  ['2026-01-02;quinoa;lots;300;clay', 'dry'],
  ['2026-01-02;quinoa;200;-3;clay', 'water'],
  ['2026-01-02;quinoa;200;300;kettle', 'pot'],
  ['2026-01-02;quinoa;200;300;clay;splendid', 'outcome'],
  ['2026-01-02;quinoa;;300;clay', 'dry'],
])('%s is refused with its row, its column and what was there', (row, column) => {
  const [first] = errors('2026-01-01;quinoa;200;300;clay', row)
  expect(first![0]).toBe(2)
  expect(first![1]).toBe(column)
  expect(first![2]).toContain('got "')
})

test('empty lines do not count; no cook at all, and too many, are said', () => {
  expect(read('2026-01-01;quinoa;200;300;clay', ';;;;', '')).toMatchObject({ ok: true, cooks: [{}] })
  expect(errors('')).toEqual([[0, '', 'no batches found']])
  expect(
    errors(...Array.from({ length: MAX_COPIED + 1 }, () => '2026-01-01;quinoa;200;300;clay'))[0]![2],
  ).toContain('too many')
})
