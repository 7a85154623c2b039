import { createHash } from 'node:crypto'
import { createReadStream, existsSync, readFileSync, readdirSync, writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { pipeline } from 'node:stream/promises'
import { z } from 'zod'
import { PlainFailure } from '../machine/plainFailure.ts'

/** Someone who was erased: ids only, so that it may be kept longer than their name. */
export const erasure = z.object({ academyId: z.string(), personId: z.string(), erasedAt: z.string() })
export type Erasure = z.infer<typeof erasure>

const sidecar = z.object({
  format: z.literal('calm-apron-backup'),
  version: z.literal(1),
  madeAt: z.string(),
  sha256: z.string(),
  /** The role that owns what was backed up; the restored objects are given to one of this name. */
  owner: z.string(),
  /** Rows of each table as they stood in the very snapshot that was dumped. */
  rows: z.record(z.string(), z.number()),
  erasures: z.array(erasure),
})

/** What stands beside a backup: its checksum, and what a restore must find in it. */
export type Sidecar = z.infer<typeof sidecar>

const sidecarOf = (dumpFile: string) => `${dumpFile}.json`
const INDENT = 2

export function writeSidecar(dumpFile: string, content: Sidecar): void {
  writeFileSync(sidecarOf(dumpFile), `${JSON.stringify(content, null, INDENT)}\n`, { mode: 0o600 })
}

/**
 * Reads what stands beside a backup and checks that the backup is whole.
 * @throws {PlainFailure} when either is missing or damaged
 */
export async function readSidecar(dumpFile: string): Promise<Sidecar> {
  const file = sidecarOf(dumpFile)
  for (const each of [dumpFile, file]) {
    if (!existsSync(each))
      throw new PlainFailure(`There is no file ${each}; a backup is two files, and both are needed.`)
  }
  const parsed = parse(file)
  if (parsed === null)
    throw new PlainFailure(`${file} can't be read; put back the one that came with the backup.`)
  if ((await sha256Of(dumpFile)) !== parsed.sha256)
    throw new PlainFailure(
      `${dumpFile} is damaged: its checksum is not the one noted in ${file}. Use another copy.`,
    )
  return parsed
}

function parse(file: string): Sidecar | null {
  try {
    return sidecar.safeParse(JSON.parse(readFileSync(file, 'utf8'))).data ?? null
  } catch (error) {
    if (error instanceof SyntaxError) return null
    throw error
  }
}

/** Erasures that any backup in the same folder knows of. */
export function erasuresBeside(dumpFile: string): Erasure[] {
  const folder = dirname(dumpFile)
  return readdirSync(folder)
    .filter((name) => name.endsWith('.dump.json'))
    .flatMap((name) => parse(join(folder, name))?.erasures ?? [])
}

export async function sha256Of(file: string): Promise<string> {
  const hash = createHash('sha256')
  await pipeline(createReadStream(file), hash)
  return hash.digest('hex')
}
