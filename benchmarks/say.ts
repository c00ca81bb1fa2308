/** One line of the table of figures. */
interface Line {
  what: string
  figure: string
  /** What it is measured against, in the same run. */
  against: string
}
const lines: Line[] = []

/** Notes a figure, and says it at once: some take long. */
export function say(what: string, figure: string, against = ''): void {
  lines.push({ what, figure, against })
  console.error(`${what}: ${figure}${against ? ` (${against})` : ''}`)
}

/** All of them, as one table. */
export function table(): string {
  const head: Line = { what: 'What', figure: 'Figure', against: 'Against' }
  const wide = (key: 'what' | 'figure') => Math.max(...[head, ...lines].map((line) => line[key].length))
  const row = ({ what, figure, against }: Line) =>
    `| ${what.padEnd(wide('what'))} | ${figure.padEnd(wide('figure'))} | ${against} |`
  return [
    row(head),
    `| ${'-'.repeat(wide('what'))} | ${'-'.repeat(wide('figure'))} | --- |`,
    ...lines.map(row),
  ].join('\n')
}
