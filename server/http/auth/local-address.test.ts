import { localAddress } from './local-address'

test.each(['/grains', '/?grain=basmati&pot=blue', '/notebook?q=a%2F%2Fb#top'])('%s is gone on to', (to) => {
  expect(localAddress(to)).toBe(to)
})

test.each([
  null,
  '',
  'grains',
  'https://evil.example/',
  '//evil.example',
  '/\\evil.example',
  '/\t/evil.example',
  '/\n/evil.example',
  '/.//evil.example',
  '/a/..//evil.example',
  '/login?to=/grains',
])('%j leads to the first page', (to) => {
  expect(localAddress(to)).toBe('/')
  // What a browser makes of it stays here.
  expect(new URL(localAddress(to), 'https://kitchen.example').host).toBe('kitchen.example')
})
