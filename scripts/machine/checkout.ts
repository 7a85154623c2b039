import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'

/** The root of this checkout. */
export const CHECKOUT = join(dirname(fileURLToPath(import.meta.url)), '../..')

/** Where what is built lies. */
export const DIST = join(CHECKOUT, 'dist')
