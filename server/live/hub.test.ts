import { announce, changesOf, listen } from './hub'

test('listeners hear of their own cook only, and no longer once they leave', () => {
  const heard: string[] = []
  const leave = listen('a', () => heard.push('a'))
  announce('b')
  announce('a')
  leave()
  announce('a')
  expect(heard).toEqual(['a'])
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
