import type { Endpoint } from '@calm-apron/contract'
import type { EntryKey } from '@pinia/colada'
import type { z } from 'zod'

/** What can be asked of the server and changes under one's hands; each key begins with one. */
export const SUBJECTS = [
  'today',
  'trainings',
  'training',
  'past-trainings',
  'shots',
  'shot',
  'tasting',
  'grind-history',
  'prepared',
  'coffee-use',
  'sign-offs',
  'assessments',
  'assessment',
  'team-skill',
  'skill',
  'people',
  'claims',
  'set-aside',
  'sessions',
  'worked',
  'audit',
] as const
export type Subject = (typeof SUBJECTS)[number]

/** Of what an entry of the cache is: its key names the viewer, then the subject. Undefined where nothing was asked. */
export function subjectOf(key: readonly unknown[]): Subject | undefined {
  return SUBJECTS.find((each) => each === key[1])
}

/** What was told, and when it was asked for by this device's clock: whatever was sent since is not in it. */
export interface Told<T> {
  value: T
  askedAtMs: number
}

/** How this device keeps an answer for each viewer, for when the server does not answer at once. */
export interface KeptAs<T> {
  read: (viewerId: string) => Promise<Told<T> | null>
  keep: (viewerId: string, told: Told<T>) => Promise<void>
  /** The server says that this viewer may not see it, or that it is no more. */
  forget: (viewerId: string) => Promise<void>
}

/** One thing to be asked of the server. */
export interface Question<T> {
  key: readonly [Subject, ...EntryKey]
  ask: () => Promise<T>
  /** When it was asked for, where that may have been before; told just before `ask` is called. */
  askedAtMs?: () => number
  /** Left out where the device keeps nothing of it. */
  kept?: KeptAs<T>
}

/** What an endpoint answers. */
export type AnswerOf<E extends Endpoint> = z.infer<E['answer']>
