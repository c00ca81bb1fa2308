import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { gzipSync } from 'node:zlib'

/**
 * What a page's own HTML makes a browser fetch of scripts before it can answer: its modules, and everything
 * they name at their head. What is fetched later, at a press, is not in it.
 * @param html of the page
 * @param client the built client's folder
 * @returns each script's size under gzip, bytes, the largest first
 */
export function initialScripts(
  html: string,
  client = 'build/client',
): { file: string; gzip: number; text: string }[] {
  const waiting = [...html.matchAll(/"(\/assets\/[^"]+\.js)"/g)]
    .map((m) => m[1]!)
    .filter((file) => named(html, file))
  const seen = new Map<string, { file: string; gzip: number; text: string }>()
  while (waiting.length > 0) {
    const file = waiting.pop()!
    if (seen.has(file)) continue
    const bytes = readFileSync(join(client, file))
    const text = bytes.toString()
    seen.set(file, { file, gzip: gzipSync(bytes).length, text })
    waiting.push(...[...text.matchAll(/(?:from|import)\s*"\.\/([^"]+\.js)"/g)].map((m) => `/assets/${m[1]!}`))
  }
  return [...seen.values()].sort((a, b) => b.gzip - a.gzip)
}

/** Preloaded, or imported by the page's own first script. */
const named = (html: string, file: string): boolean =>
  html.includes(`rel="modulepreload" href="${file}"`) ||
  html.includes(`src="${file}"`) ||
  new RegExp(`import[^;]{0,60}"${file.replaceAll('.', '\\.')}"`).test(html)
