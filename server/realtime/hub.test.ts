import { ALL, announce, announceReadings, changesOf, listen, listeners } from './hub'

test('listeners hear of their own cook only, and no longer once they leave', () => {
  const calls: string[] = []
  const leave = listen('a', () => calls.push('a'))
  announce('b')
  announce('a')
  leave()
  announce('a')
  expect(calls).toEqual(['a'])
})

test('a stream says at once that it stands, tells each change, and ends when the other side leaves', async () => {
  const away = new AbortController()
  const response = changesOf('c', away.signal)
  expect(response.headers.get('Content-Type')).toBe('text/event-stream')
  expect(response.headers.get('Cache-Control')).toContain('no-transform')
  const reader = response.body!.getReader()
  const read = async () => new TextDecoder().decode((await reader.read()).value)
  expect(await read()).toContain('event: changed')
  announce('c')
  expect(await read()).toBe('event: changed\ndata: {}\n\n')
  away.abort()
  expect((await reader.read()).done).toBe(true)
  announce('c') // nobody is there any more, and nothing breaks
})

test('a stream is closed, not cut off, once its session has ended', async () => {
  jest.useFakeTimers()
  try {
    let signedIn = true
    const reader = changesOf('c', new AbortController().signal, () => signedIn).body!.getReader()
    await reader.read()
    signedIn = false
    const next = reader.read()
    jest.advanceTimersByTime(3000)
    expect((await next).done).toBe(true)
  } finally {
    jest.useRealTimers()
  }
})

test('fifty screens that come and go leave nothing behind', async () => {
  const before = listeners()
  const screens = Array.from({ length: 50 }, () => new AbortController())
  const readers = screens.map((screen) => changesOf(ALL, screen.signal).body!.getReader())
  await Promise.all(readers.map((reader) => reader.read()))
  expect(listeners()).toBe(before + 100)
  announce('any')
  for (const reader of readers)
    expect(new TextDecoder().decode((await reader.read()).value)).toContain('changed')
  announceReadings([{ cook: 'a', kind: 'probe', atMs: 1, celsius: 80, ends: undefined }])
  for (const reader of readers)
    expect(new TextDecoder().decode((await reader.read()).value)).toContain('"celsius":80')
  // Half leave by hanging up, half by letting the stream go.
  screens.slice(0, 25).forEach((screen) => screen.abort())
  await Promise.all(readers.slice(25).map((reader) => reader.cancel()))
  expect(listeners()).toBe(before)
})
