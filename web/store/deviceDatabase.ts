import type {
  CallInput,
  CorrectionInput,
  DevicePerson,
  GrindSeenOn,
  PhotoInput,
  Problem,
  RulingInput,
  SessionState,
  ShotDetail,
  ShotInput,
  SlipInput,
  Today,
  Training,
  TrainingEventInput,
} from '@calm-apron/contract'
import { type DBSchema, type IDBPDatabase, type IDBPObjectStore, type StoreNames, openDB } from 'idb'
import type { ShotDraft } from '../bar/shotDraft.ts'

/** What is written to the server, by kind, with the ids of what it belongs to. */
export type Write =
  | { kind: 'shot'; shotId: string; body: ShotInput }
  | { kind: 'correction'; shotId: string; revisionId: string; body: CorrectionInput }
  | { kind: 'call'; shotId: string; callId: string; body: CallInput }
  | { kind: 'slip'; shotId: string; slipId: string; body: SlipInput }
  | { kind: 'ruling'; shotId: string; rulingId: string; body: RulingInput }
  | { kind: 'photo'; shotId: string; photoId: string; body: PhotoInput }
  | { kind: 'training-event'; trainingId: string; eventId: string; body: TrainingEventInput }

/** A write that has not reached the server, in the order it was made. */
export type UnsentWrite = {
  /** Given by the database; lower is older. */
  order?: number
  /** Who was at the tablet: it is sent when they, or someone the device knows them by, are here. */
  author: string
  /** Set once the server has refused it: then it waits for a person, not for the network. */
  refused: Problem | null
} & Write

/** Who was here when the server last said so, for when it can't be asked. No secret of anyone's is among it. */
export interface RememberedDoor {
  session: SessionState
  devicePeople: DevicePerson[]
  /** Someone named without network, whose PIN has not been checked yet. */
  claimedId: string | null
}

/** A draft with the academy it was begun in; people of another who use this device don't see it. */
export type KeptDraft = ShotDraft & { academyId: string }

/** A shot as the server last told it, and to whom. */
export interface KeptShot {
  viewerId: string
  detail: ShotDetail
}

interface DeviceSchema extends DBSchema {
  outbox: { key: number; value: UnsentWrite }
  drafts: { key: string; value: KeptDraft }
  /** What each person last saw of Today. */
  remembered: { key: string; value: Today }
  door: { key: 'last'; value: RememberedDoor }
  /** What sensors saw of a shot that is under way, packed. */
  series: { key: string; value: { weight: string; pressure: string } }
  /** The open trainings as each person last saw them. */
  trainings: { key: string; value: Training[] }
  /** What shots of late tell of a grinder under a recipe, as each person was last told, by `historyKey`. */
  grindHistory: { key: string; value: GrindSeenOn[] }
  /** Shots that were seen lately, by viewer and id. */
  shots: { key: [string, string]; value: KeptShot; indexes: { pulledAt: string } }
}

export type DeviceDatabase = IDBPDatabase<DeviceSchema>

const VERSION = 5

/** Opens what this device keeps: unsent writes, half-entered shots, who was here, and what they last saw. */
export async function openDeviceDatabase(name = 'calm-apron'): Promise<DeviceDatabase> {
  return openDB<DeviceSchema>(name, VERSION, {
    upgrade(database, oldVersion, _newVersion, transaction) {
      if (oldVersion < 1) {
        database.createObjectStore('outbox', { keyPath: 'order', autoIncrement: true })
        database.createObjectStore('drafts', { keyPath: 'shotId' })
        database.createObjectStore('remembered')
      }
      if (oldVersion < 2) database.createObjectStore('door')
      if (oldVersion < 3) {
        database.createObjectStore('series')
        database.createObjectStore('trainings')
        const shots = database.createObjectStore('shots', { keyPath: ['viewerId', 'detail.shotId'] })
        shots.createIndex('pulledAt', 'detail.pulledAt')
        void nameAuthors(transaction.objectStore('outbox'))
      }
      // Kept without what they were pulled with, by which they are read now; the server tells them anew.
      if (oldVersion === 3) void transaction.objectStore('shots').clear()
      // What those versions remembered may lack what this one shows; the server tells it anew.
      if (oldVersion < 4) void transaction.objectStore('remembered').clear()
      if (oldVersion < 5) database.createObjectStore('grindHistory')
    },
    // A newer page, in another tab, must not be kept waiting by this one.
    blocking(_current, _blocked, event) {
      opened = undefined
      if (event.target instanceof IDBDatabase) event.target.close()
    },
  })
}

/** Writes of the former version named their author in the body alone. */
async function nameAuthors(
  outbox: IDBPObjectStore<DeviceSchema, StoreNames<DeviceSchema>[], 'outbox', 'versionchange'>,
): Promise<void> {
  for (const write of await outbox.getAll())
    if ('judgedBy' in write.body) await outbox.put({ ...write, author: write.body.judgedBy })
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
