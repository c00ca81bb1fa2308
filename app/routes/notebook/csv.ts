import { kitchen } from '#server/kitchen'
import { notebookCsv } from '#server/transfer/notebook-csv'

/** The notebook as a table, to keep or to import elsewhere. */
export const loader = () =>
  new Response(notebookCsv(kitchen()), {
    headers: {
      'Content-Type': 'text/csv; charset=utf-8',
      'Content-Disposition': 'attachment; filename="notebook.csv"',
      'Cache-Control': 'no-store',
    },
  })
