import pino from 'pino'

/**
 * Structured lines on standard error. No line contains what a cook wrote or cooks: paths without ids and
 * questions, errors without quoted text.
 */
export const log = pino(
  {
    base: undefined,
    level: process.env.OMSEL_LOG ?? (process.env.NODE_ENV === 'test' ? 'silent' : 'info'),
    timestamp: pino.stdTimeFunctions.isoTime,
    formatters: { level: (level) => ({ level }) },
  },
  pino.destination({ dest: 2, sync: true }),
)

/** A path as far as a log may know it: the place, not which cook. */
export function placeOf(path: string): string {
  const [first = '', ...more] = path.split('?')[0]!.split('/').filter(Boolean)
  const known = /^[a-z][a-z0-9.-]{0,30}$/.test(first) ? first : first === '' ? '' : '…'
  return `/${known}${more.length > 0 ? '/…' : ''}`
}

const unquoted = (text: string): string => text.replace(/"[^"]*"|“[^”]*”/g, '"…"')

/** An error as far as a log may know it. */
export const errorOf = (error: unknown): { name: string; message: string; stack?: string } =>
  error instanceof Error
    ? {
        name: error.name,
        message: unquoted(error.message).slice(0, 500),
        stack: (error.stack ?? '')
          .split('\n')
          .filter((line) => /^\s+at /.test(line))
          .slice(0, 8)
          .join('\n'),
      }
    : { name: 'unknown', message: unquoted(String(error)).slice(0, 200) }
