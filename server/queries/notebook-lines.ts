import { dayIn } from '#server/clock'
import { settingsOf, type Kitchen } from '#server/store/open-household'
import type { NotebookLine } from '#server/store/notebook'

const A_PAGE = 500

/** Every entry of the notebook, page by page, with its day in the household's time zone, "2026-03-05". */
export function* notebookLines(kitchen: Kitchen): Generator<{ line: NotebookLine; day: string }> {
  const { zone } = settingsOf(kitchen)
  const total = kitchen.notebook.count({})
  for (let from = 0; from < total; from += A_PAGE)
    for (const line of kitchen.notebook.lines({}, A_PAGE, from)) {
      yield { line, day: dayIn(line.ended_ms, zone) }
    }
}
