// Imported before anything else: React chooses its build by this when it is first loaded.
import { dirname } from 'node:path'
import { fileURLToPath } from 'node:url'

process.env.NODE_ENV ??= 'production'
process.env.OMSEL_ROOT ??= dirname(fileURLToPath(import.meta.url))
