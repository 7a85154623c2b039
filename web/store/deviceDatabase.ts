import type { CorrectionInput, Problem, ShotInput, Today } from '@calm-apron/contract'
import { type DBSchema, type IDBPDatabase, openDB } from 'idb'
import type { ShotDraft } from '../bar/shotDraft.ts'

/** A write that has not reached the server, in the order it was made. */
export type UnsentWrite = {
  /** Given by the database; lower is older. */
  order?: number
  /** Set once the server has refused it: then it waits for a person, not for the network. */
  refused: Problem | null
} & (
  | { kind: 'shot'; shotId: string; body: ShotInput }
  | { kind: 'correction'; shotId: string; revisionId: string; body: CorrectionInput }
)

interface DeviceSchema extends DBSchema {
  outbox: { key: number; value: UnsentWrite }
  drafts: { key: string; value: ShotDraft }
  remembered: { key: 'today'; value: Today }
}

export type DeviceDatabase = IDBPDatabase<DeviceSchema>

const VERSION = 1

/** Opens what this device keeps: unsent writes, half-entered shots, and the last Today it saw. */
export async function openDeviceDatabase(name = 'calm-apron'): Promise<DeviceDatabase> {
  return openDB<DeviceSchema>(name, VERSION, {
    upgrade(database) {
      database.createObjectStore('outbox', { keyPath: 'order', autoIncrement: true })
      database.createObjectStore('drafts', { keyPath: 'shotId' })
      database.createObjectStore('remembered')
    },
  })
}

/** A copy without reactive parts, which the database can't clone. What is kept is plain JSON, so it comes back as it went. */
export function asPlain<T>(value: T): T {
  return JSON.parse(JSON.stringify(value)) as T
}

let opened: Promise<DeviceDatabase> | undefined

/** The one connection of this page. */
export async function deviceDatabase(): Promise<DeviceDatabase> {
  opened ??= openDeviceDatabase()
  return opened
}
