import { expect, test } from '@playwright/test'
import { chaos } from '../chaos/kill-test'
import { portBeside } from './ports'

test('a server killed again and again loses nothing it acknowledged, and doubles nothing', async () => {
  test.setTimeout(240_000)
  const { wrong: fieldError, acknowledged, pressed } = await chaos({ runs: 8, seed: 7, port: portBeside(4) })
  expect(fieldError).toEqual([])
  expect(pressed).toBe(48)
  expect(acknowledged).toBe(48)
})
