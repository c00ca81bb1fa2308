// Imported before anything else: React chooses its build by this when it is first loaded.
import { dirname } from 'node:path'
import { fileURLToPath } from 'node:url'
import v8 from 'node:v8'

process.env.NODE_ENV ??= 'production'
process.env.OMSEL_ROOT ??= dirname(fileURLToPath(import.meta.url))
// A small board has little memory. By itself the engine lets the heap grow to four times what is in use before it
// looks for what can go; a third more costs no speed that can be measured (npm run bench). Its young part is set
// where the server is started (--max-semi-space-size, npm start): at its least, 1 MB, a page spent a third of its
// time collecting, at 8 MB a seventh, for some 15 MB more.
v8.setFlagsFromString('--heap-growing-percent=30')
