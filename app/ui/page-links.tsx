import { Link, useSearchParams } from 'react-router'
import type { PageOfList } from './pages'
import classes from './page-links.module.css'

/** Ways to the page before and the page after; nothing where one page holds all. */
export function PageLinks({
  page,
  pages,
  before = 'previous',
  after = 'next',
}: Pick<PageOfList, 'page' | 'pages'> & { before?: string; after?: string }) {
  const [search] = useSearchParams()
  if (pages <= 1) return null
  const at = (n: number) => {
    const next = new URLSearchParams(search)
    next.set('page', String(n))
    return `?${next.toString()}`
  }
  return (
    <nav className={classes.pages} aria-label="Pages">
      {page > 1 ? <Link to={at(page - 1)}>{before}</Link> : <span />}
      <span className="quiet">
        page {page} of {pages}
      </span>
      {page < pages ? <Link to={at(page + 1)}>{after}</Link> : <span />}
    </nav>
  )
}
