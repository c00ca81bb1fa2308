import { FIGURE_WORDS } from './guidance-words'
import {
  AUTHORITIES,
  FIGURE_IDS,
  FIGURES,
  FOLLOW_LOCAL,
  guidanceOf,
  WHY_STRICT,
  type FigureId,
} from './guidance'

describe('guidance in force', () => {
  test('the usual one is the strictest of each figure, and every figure names its source', () => {
    const g = guidanceOf('stricter')
    expect([
      g.hold_hot_c.value,
      g.cool_min.value,
      g.chill_min.value,
      g.eat_h.value,
      g.reheat_c.value,
      g.reheats.value,
      g.fridge_c.value,
      g.room_min.value,
    ]).toEqual([63, 60, 240, 24, 75, 1, 4, 120])
    for (const authority of AUTHORITIES)
      for (const id of FIGURE_IDS) expect(guidanceOf(authority)[id].source.length).toBeGreaterThan(10)
  })

  test('another authority is its own published figures, with the other standing in where it gives none', () => {
    expect(guidanceOf('us').eat_h.value).toBe(72)
    expect(guidanceOf('us').reheats.value).toBe(1)
    expect(guidanceOf('uk').chill_min.value).toBe(240)
  })

  test('a house can only be stricter: what is laxer is not taken, and nothing can be left out', () => {
    for (const authority of AUTHORITIES) {
      const base = guidanceOf(authority)
      for (const id of FIGURE_IDS) {
        const up = FIGURES[id].stricter === 'higher'
        const laxer = guidanceOf(authority, { [id]: base[id].value + (up ? -5 : 500) })
        expect(laxer[id]).toEqual(base[id])
        const stricter = guidanceOf(authority, { [id]: base[id].value + (up ? 5 : -0.5) })
        expect(stricter[id].own).toBe(true)
        expect(stricter[id].value).not.toBe(base[id].value)
      }
      expect(guidanceOf(authority, { eat_h: NaN } as Partial<Record<FigureId, number>>).eat_h).toEqual(
        base.eat_h,
      )
    }
  })
})

test('what is said beside every figure defers to the local authority, and says why', () => {
  expect(FOLLOW_LOCAL).toContain('local food authority')
  expect(WHY_STRICT).toMatch(/[Ss]pores/)
  for (const id of FIGURE_IDS) expect(FIGURE_WORDS[id].name.length).toBeGreaterThan(5)
})
