import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'

/** The root of this checkout. */
export const CHECKOUT = join(dirname(fileURLToPath(import.meta.url)), '../..')

/** Where what is built lies. Tests build into a folder of their own, so that a running app keeps its files. */
export function distFolder(): string {
  return process.env['CALM_APRON_DIST'] ?? join(CHECKOUT, 'dist/app')
}

/** A file of an installed package. */
export const installed = (path: string) => join(CHECKOUT, 'node_modules', path)
