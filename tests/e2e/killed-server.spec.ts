import { expect, test } from '@playwright/test'
import { chaos } from '../chaos/kill-test'
import { portBeside } from './ports'

test('a server killed again and again, under three devices, forms and another writer, loses and doubles nothing', async () => {
  test.setTimeout(240_000)
  const { wrong, acknowledged, pressed, sent, answered } = await chaos({
    runs: 8,
    seed: 7,
    port: portBeside(4),
  })
  expect(wrong).toEqual([])
  expect(pressed).toBe(48)
  expect(acknowledged).toBe(48)
  // Eight forms, and a batch in every fourth run.
  expect([sent, answered]).toEqual([10, 10])
})
