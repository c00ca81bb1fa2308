import { decimalMarkFor } from '#server/http/reader'
import { kitchen } from '#server/kitchen'
import { notebookCsv } from '#server/transfer/notebook-csv'
import type { Route } from './+types/csv'

/**
 * The notebook as a table: for programs and to import elsewhere, or with ?for=spreadsheet as a spreadsheet of this
 * reader's language opens it.
 */
export const loader = ({ request }: Route.LoaderArgs) => {
  const forSpreadsheet = new URL(request.url).searchParams.get('for') === 'spreadsheet'
  const form = forSpreadsheet ? { bom: true, comma: decimalMarkFor(request) === ',' } : {}
  return new Response(notebookCsv(kitchen(), form), {
    headers: {
      'Content-Type': 'text/csv; charset=utf-8',
      'Content-Disposition': 'attachment; filename="notebook.csv"',
      'Cache-Control': 'no-store',
    },
  })
}
