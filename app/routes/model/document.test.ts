import { readFileSync } from 'node:fs'
import { join } from 'node:path'

/**
 * What the page shows is docs/model.md; every plot it names must lie beside it, and every test it calls on
 * must exist.
 */
const root = join(__dirname, '../../..')
const text = readFileSync(join(root, 'docs/model.md'), 'utf8')

test('every plot named is there', () => {
  const named = [...text.matchAll(/!\[[^\]]+\]\(([^)]+)\)/g)].map(([, path]) => path!)
  expect(named.length).toBeGreaterThan(4)
  for (const path of named)
    expect(readFileSync(join(root, 'docs', path), 'utf8')).toMatch(/^<svg [^>]*viewBox/)
})

test('every test it calls on is there', () => {
  const named = [...text.matchAll(/`([\w/-]+\.test\.ts)`/g)].map(([, path]) => path!)
  expect(named.length).toBeGreaterThan(3)
  for (const path of named) expect(readFileSync(join(root, path), 'utf8')).toContain('test')
})
