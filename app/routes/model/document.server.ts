import { Marked } from 'marked'
import text from '../../../docs/model.md?raw'

const plots = import.meta.glob<string>('../../../docs/plots/*.svg', {
  query: '?raw',
  import: 'default',
  eager: true,
})

const escaped = (of: string): string =>
  of.replace(/[&<>"]/g, (c) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[c]!)

/** docs/model.md as a page: its plots are embedded as images, so that neither styles the other. */
export function modelDocument(): string {
  const marked = new Marked({
    renderer: {
      image: ({ href, text: alt }) => {
        const svg = plots[`../../../docs/${href}`]
        if (svg === undefined) throw new Error(`docs/model.md shows ${href}, which is not there`)
        return `<img alt="${escaped(alt)}" width="560" height="330" src="data:image/svg+xml,${encodeURIComponent(svg)}">`
      },
    },
  })
  // A table wider than the screen scrolls sideways in its own frame, by keys as well.
  return marked
    .parse(text, { async: false })
    .replaceAll('<table>', '<div class="frame" role="region" aria-label="A table" tabindex="0"><table>')
    .replaceAll('</table>', '</table></div>')
}
