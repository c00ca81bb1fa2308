import { closestFits } from './closest-fits'

const pots = [6, 1, 4, 2.5, 1.6].map((litres) => ({ capacity_ml: litres * 1000 }))
const litres = (cookedMl: number, most = 9) =>
  closestFits(pots, cookedMl, most).map((pot) => pot.capacity_ml / 1000)

test('the smallest that hold it come first, those too small last, the largest of them first', () => {
  expect(litres(1400)).toEqual([2.5, 4, 6, 1.6, 1])
  expect(litres(100)).toEqual([1, 1.6, 2.5, 4, 6])
  expect(litres(50_000)).toEqual([6, 4, 2.5, 1.6, 1])
})

test('a pot is large enough up to six tenths of it, and not a drop over', () => {
  expect(litres(1500, 1)).toEqual([2.5])
  expect(litres(1501, 1)).toEqual([4])
})

test('as many as were asked for, and none of nothing', () => {
  expect(litres(1400, 2)).toEqual([2.5, 4])
  expect(closestFits([], 100, 3)).toEqual([])
})
