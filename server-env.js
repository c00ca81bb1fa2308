// Imported before anything else: React chooses its build by this when it is first loaded.
import { dirname } from 'node:path'
import { fileURLToPath } from 'node:url'
import v8 from 'node:v8'

process.env.NODE_ENV ??= 'production'
process.env.OMSEL_ROOT ??= dirname(fileURLToPath(import.meta.url))
// A small board has little memory. By itself the engine lets the heap grow to four times what is in use before it
// looks for what can go; a third more costs no speed that can be measured (npm run bench).
v8.setFlagsFromString('--heap-growing-percent=30')
v8.setFlagsFromString('--semi-space-growth-factor=1')
