import { createMemoryRouter } from 'react-router'
import { orCached } from './cached-loader'

const cut = () => Promise.reject(new TypeError('Failed to fetch'))

/** What the router itself throws for a page that is not there. */
async function notThere(): Promise<unknown> {
  const router = createMemoryRouter([{ path: '/', loader: () => 'home' }], { initialEntries: ['/nowhere'] })
  await new Promise((resolve) => setTimeout(resolve))
  return Object.values(router.state.errors ?? {})[0]
}

describe('a page without a connection', () => {
  test('goes on with what it last heard, and with the newest of it', async () => {
    await orCached('pot a', () => Promise.resolve('boiling'))
    await expect(orCached('pot a', cut)).resolves.toBe('boiling')
    await orCached('pot a', () => Promise.resolve('resting'))
    await expect(orCached('pot a', cut)).resolves.toBe('resting')
  })

  test('has nothing to go on with where it never heard anything, and never takes another page’s', async () => {
    await orCached('pot b', () => Promise.resolve('boiling'))
    await expect(orCached('pot c', cut)).rejects.toThrow('Failed to fetch')
  })

  test('what the server answers stands: a redirect, or a pot that is not there', async () => {
    await orCached('pot d', () => Promise.resolve('boiling'))
    const redirect = new Response(null, { status: 302, headers: { Location: '/' } })
    await expect(orCached('pot d', () => Promise.reject(redirect as unknown as Error))).rejects.toBe(redirect)
    const gone = await notThere()
    expect(gone).toBeDefined()
    await expect(orCached('pot d', () => Promise.reject(gone as Error))).rejects.toBe(gone)
  })
})
