import type {
  CorrectionInput,
  DevicePerson,
  Problem,
  SessionState,
  ShotInput,
  Today,
} from '@calm-apron/contract'
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

/** Who was here when the server last said so, for when it can't be asked. No secret of anyone's is among it. */
export interface RememberedDoor {
  session: SessionState
  devicePeople: DevicePerson[]
  /** Someone named without network, whose PIN has not been checked yet. */
  claimedId: string | null
}

/** A draft with the academy it was begun in; people of another who use this device don't see it. */
export type KeptDraft = ShotDraft & { academyId: string }

interface DeviceSchema extends DBSchema {
  outbox: { key: number; value: UnsentWrite }
  drafts: { key: string; value: KeptDraft }
  /** What each person last saw of Today. */
  remembered: { key: string; value: Today }
  door: { key: 'last'; value: RememberedDoor }
}

export type DeviceDatabase = IDBPDatabase<DeviceSchema>

const VERSION = 2

/** Opens what this device keeps: unsent writes, half-entered shots, who was here, and the last Today they saw. */
export async function openDeviceDatabase(name = 'calm-apron'): Promise<DeviceDatabase> {
  return openDB<DeviceSchema>(name, VERSION, {
    upgrade(database, oldVersion, _newVersion, transaction) {
      if (oldVersion < 1) {
        database.createObjectStore('outbox', { keyPath: 'order', autoIncrement: true })
        database.createObjectStore('drafts', { keyPath: 'shotId' })
        database.createObjectStore('remembered')
      }
      database.createObjectStore('door')
      // What was remembered before people signed in belongs to nobody.
      void transaction.objectStore('remembered').clear()
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
