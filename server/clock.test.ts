import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { nowMs } from './clock'

const folder = mkdtempSync(join(tmpdir(), 'omsel-clock-'))
const file = join(folder, 'clock')
afterEach(() => void delete process.env.OMSEL_CLOCK_FILE)
afterAll(() => rmSync(folder, { recursive: true }))

test("the clock is the machine's own, unless a rehearsal sets it ahead", () => {
  expect(Math.abs(nowMs() - Date.now())).toBeLessThan(1000)
  process.env.OMSEL_CLOCK_FILE = file
  writeFileSync(file, '3600000')
  expect(Math.abs(nowMs() - Date.now() - 3_600_000)).toBeLessThan(1000)
})

test.each(['soon', '', 'NaN'])('"%s" in its file, or no file, sets nothing ahead', (text) => {
  process.env.OMSEL_CLOCK_FILE = file
  writeFileSync(file, text)
  expect(Math.abs(nowMs() - Date.now())).toBeLessThan(1000)
  process.env.OMSEL_CLOCK_FILE = join(folder, 'none')
  expect(Math.abs(nowMs() - Date.now())).toBeLessThan(1000)
})
