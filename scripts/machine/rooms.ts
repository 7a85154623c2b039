import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { CHECKOUT } from './checkout.ts'

/** The folders of all rooms: each is a workspace of its own. */
export const ROOMS = (
  JSON.parse(readFileSync(join(CHECKOUT, 'package.json'), 'utf8')) as { workspaces: string[] }
).workspaces
