import type { Database } from './database/pool.ts'
import type { LiveHub } from './live/hub.ts'

/** How this server is reached, and whom it lets in. */
export interface DoorSettings {
  /** The one origin browsers see it under, such as `https://bar.example`; null: whichever address it is asked by. */
  publicOrigin: string | null
  /** Whether browsers reach it by https; cookies are then marked so. */
  isSecure: boolean
  /** Whether the made-up academy's people may be come in as without a password. */
  demoSignIn: boolean
}

/** What every use case needs from outside. */
export interface House {
  database: Database
  now: () => Date
  doors: DoorSettings
  live: LiveHub
}
