import { pageOf } from './pages'

test.each([
  [null, { page: 1, pages: 3, from: 0 }],
  ['2', { page: 2, pages: 3, from: 40 }],
  ['3', { page: 3, pages: 3, from: 80 }],
  ['4', { page: 3, pages: 3, from: 80 }],
  ['0', { page: 1, pages: 3, from: 0 }],
  ['-1', { page: 1, pages: 3, from: 0 }],
  ['1.5', { page: 1, pages: 3, from: 0 }],
  ['1e999', { page: 1, pages: 3, from: 0 }],
  ['x', { page: 1, pages: 3, from: 0 }],
])('page %s of 81 things, 40 on a page', (asked, at) => {
  expect(pageOf(asked, 81, 40)).toEqual(at)
})

test('a full last page has no empty one after it, and an empty list has one page', () => {
  expect(pageOf('9', 80, 40)).toEqual({ page: 2, pages: 2, from: 40 })
  expect(pageOf('9', 0, 40)).toEqual({ page: 1, pages: 1, from: 0 })
})
