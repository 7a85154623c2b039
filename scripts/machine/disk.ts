import { statfs } from 'node:fs/promises'
import { PlainFailure } from './plainFailure.ts'

const NEEDED_MB = 200

/** @throws {PlainFailure} when the disk under `folder` is all but full */
export async function ensureDiskSpace(folder: string): Promise<void> {
  const { bavail, bsize } = await statfs(folder)
  const freeMb = Math.floor((bavail * bsize) / 1_048_576)
  if (freeMb >= NEEDED_MB) return
  throw new PlainFailure(
    `The disk under ${folder} has only ${freeMb} MB left; make at least ${NEEDED_MB} MB free and start again.`,
  )
}
