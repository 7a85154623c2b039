import type {
  AssessmentEventInput,
  CallInput,
  CorrectionInput,
  DevicePerson,
  PhotoInput,
  Problem,
  RepurposingInput,
  RulingInput,
  SessionState,
  ShotDetail,
  ShotInput,
  SlipInput,
  TrainingEventInput,
  WatchInput,
} from '@calm-apron/contract'
import { type DBSchema, type IDBPDatabase, type IDBPObjectStore, type StoreNames, openDB } from 'idb'
import { takeFormerAnswers } from './formerDevice.ts'

/** What is written to the server, by kind, with the ids of what it belongs to. */
export type Write =
  | { kind: 'shot'; shotId: string; body: ShotInput }
  | { kind: 'correction'; shotId: string; revisionId: string; body: CorrectionInput }
  | { kind: 'call'; shotId: string; callId: string; body: CallInput }
  | { kind: 'slip'; shotId: string; slipId: string; body: SlipInput }
  | { kind: 'ruling'; shotId: string; rulingId: string; body: RulingInput }
  | { kind: 'repurposing'; shotId: string; repurposingId: string; body: RepurposingInput }
  | { kind: 'photo'; shotId: string; photoId: string; body: PhotoInput }
  | { kind: 'watch'; trainingId: string; watchId: string; body: WatchInput }
  | { kind: 'training-event'; trainingId: string; eventId: string; body: TrainingEventInput }
  | { kind: 'assessment-event'; assessmentId: string; eventId: string; body: AssessmentEventInput }

/** A write of this device, in the order it was made: unsent, refused, or sent so lately that what was told before lacks it. */
export type UnsentWrite = {
  /** Given by the database; lower is older. */
  order?: number
  /** Who was at the tablet: it is sent when they, or someone the device knows them by, are here. */
  author: string
  /** Set once the server has refused it: then it waits for a person, not for the network. */
  refused: Problem | null
  /** When the server had it, by this device's clock; left out before. */
  sentAtMs?: number
} & Write

/** The id under which a write is made, which tells it from every other. */
export function idOf(write: Write): string {
  switch (write.kind) {
    case 'shot':
      return write.shotId
    case 'correction':
      return write.revisionId
    case 'call':
      return write.callId
    case 'slip':
      return write.slipId
    case 'ruling':
      return write.rulingId
    case 'repurposing':
      return write.repurposingId
    case 'photo':
      return write.photoId
    case 'watch':
      return write.watchId
    case 'training-event':
    case 'assessment-event':
      return write.eventId
  }
}

/** Who was here when the server last said so, for when it can't be asked. No secret of anyone's is among it. */
export interface RememberedDoor {
  session: SessionState
  devicePeople: DevicePerson[]
  /** Someone named without network, whose PIN has not been checked yet. */
  claimedId: string | null
}

/**
 * What a draft is known by on the device; the rest of it is as typed, and read by who wrote it. People of another academy
 * who use this device don't see it.
 */
export interface KeptDraft {
  shotId: string
  academyId: string
  personId: string
  /** Null where it is a shot under way, and no correction of a recorded one. */
  correcting: object | null
}

/** A shot as the server last told it, to whom, and when it was asked for by this device's clock. */
export interface KeptShot {
  viewerId: string
  detail: ShotDetail
  askedAtMs: number
}

/** An answer as it was told, and when it was asked for by this device's clock; 0: nobody remembers. */
export interface KeptAnswer {
  answer: unknown
  askedAtMs: number
}

/** All stores of this device, and what lies in each. */
export interface DeviceSchema extends DBSchema {
  outbox: { key: number; value: UnsentWrite }
  /** Writes of the last day that were sent, to be laid over what was told before. */
  sent: { key: number; value: UnsentWrite }
  drafts: { key: string; value: KeptDraft }
  door: { key: 'last'; value: RememberedDoor }
  /** What sensors saw of a shot that is under way, packed. */
  series: { key: string; value: { weight: string; pressure: string } }
  /** What each person was last told, by viewer and question. */
  answers: { key: [viewerId: string, question: string]; value: KeptAnswer }
  /** Shots that were seen lately, by viewer and id. */
  shots: {
    key: [string, string]
    value: KeptShot
    indexes: {
      pulledAt: string
      ofPerson: [string, string, string]
      onGrinder: [string, string, string]
      inTraining: [string, string, string]
      ofViewer: [string, string]
    }
  }
}

export type DeviceDatabase = IDBPDatabase<DeviceSchema>

const VERSION = 6

/** Opens what this device keeps: unsent writes, half-entered shots, who was here, and what they last saw. */
export async function openDeviceDatabase(name = 'calm-apron'): Promise<DeviceDatabase> {
  return openDB<DeviceSchema>(name, VERSION, {
    upgrade(database, oldVersion, _newVersion, transaction) {
      if (oldVersion < 1) {
        database.createObjectStore('outbox', { keyPath: 'order', autoIncrement: true })
        database.createObjectStore('drafts', { keyPath: 'shotId' })
      }
      if (oldVersion < 2) database.createObjectStore('door')
      if (oldVersion < 3) {
        database.createObjectStore('series')
        const shots = database.createObjectStore('shots', { keyPath: ['viewerId', 'detail.shotId'] })
        shots.createIndex('pulledAt', 'detail.pulledAt')
        void nameAuthors(transaction.objectStore('outbox'))
      }
      if (oldVersion < 6) {
        const shots = transaction.objectStore('shots')
        for (const [index, path] of SHOT_INDEXES)
          shots.createIndex(index, ['viewerId', `detail.${path}`, 'detail.pulledAt'])
        shots.createIndex('ofViewer', ['viewerId', 'detail.pulledAt'])
        database.createObjectStore('sent', { autoIncrement: true })
        // Its requests keep the upgrade open until all is taken over.
        void takeFormerAnswers(database, transaction)
      }
    },
    // A newer page, in another tab, must not be kept waiting by this one.
    blocking(_current, _blocked, event) {
      opened = undefined
      if (event.target instanceof IDBDatabase) event.target.close()
    },
  })
}

const SHOT_INDEXES = [
  ['ofPerson', 'personId'],
  ['onGrinder', 'grinderId'],
  ['inTraining', 'trainingId'],
] as const

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
