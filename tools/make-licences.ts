import { existsSync, readFileSync, writeFileSync } from 'node:fs'

interface Manifest {
  license?: string
  /** As packages stated it before npm 1. */
  licenses?: { type: string }[]
  version: string
}
const statedIn = ({ license, licenses }: Manifest) => license ?? licenses?.map(({ type }) => type).join(', ')

interface Lock {
  packages: Record<string, { version: string; dev?: boolean; optional?: boolean; license?: string }>
}

/**
 * Every package that is part of the running program, those of other platforms among them, with its version
 * and its licence as it states it.
 */
export function licences(): string {
  const { packages } = JSON.parse(readFileSync('package-lock.json', 'utf8')) as Lock
  const lines = Object.entries(packages)
    .filter(([path, row]) => path !== '' && !row.dev)
    .map(([path, row]) => {
      const name = path.slice(path.lastIndexOf('node_modules/') + 'node_modules/'.length)
      // What is for another platform is not installed here; the lock file says what it states.
      const stated =
        row.license ??
        (existsSync(`${path}/package.json`)
          ? statedIn(JSON.parse(readFileSync(`${path}/package.json`, 'utf8')) as Manifest)
          : undefined) ??
        'not stated'
      return `| ${name} | ${row.version} | ${stated} |`
    })
  const unique = [...new Set(lines)].sort((a, b) => a.localeCompare(b, 'en'))
  return `# Licences of what Omsel stands on\n\nPackages of the running program; made by \`npm run licences\`. Omsel itself is MIT.\n\n| Package | Version | Licence |\n|---|---|---|\n${unique.join('\n')}\n`
}

if (process.argv[1]?.endsWith('make-licences.ts')) writeFileSync('docs/LICENCES.md', licences())
