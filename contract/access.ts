import type { Role } from './academy.ts'

/** A session that was handed to a trainee for one shot's call and tasting slip plays a part of its own. */
export type Part = Role | 'handed'

/** Whether a part is one of those who teach; nobody's is not. */
export function teaches(part: Part | null | undefined): boolean {
  return part === 'head' || part === 'trainer'
}

/** Whose things an action reaches: nobody's, one's own, or everyone's in the academy. */
export type Whose = 'none' | 'own' | 'all'

/**
 * The one table of who may do what. *Own* is: of a person, oneself; of a shot, the one who pulled it (to correct it,
 * the one who recorded it too); of a session, whose it is; of a training, everyone with a seat in it; for the handed tablet, the one shot it was handed for.
 */
export const ACCESS = {
  'see-academy': { head: 'all', trainer: 'all', trainee: 'own', handed: 'own' },
  'change-academy': { head: 'all', trainer: 'none', trainee: 'none', handed: 'none' },
  'see-shots': { head: 'all', trainer: 'all', trainee: 'own', handed: 'none' },
  'see-skill': { head: 'all', trainer: 'all', trainee: 'own', handed: 'none' },
  'give-take-home': { head: 'all', trainer: 'all', trainee: 'none', handed: 'none' },
  'record-shot': { head: 'all', trainer: 'all', trainee: 'own', handed: 'none' },
  'correct-shot': { head: 'all', trainer: 'all', trainee: 'own', handed: 'none' },
  'see-tasting': { head: 'all', trainer: 'all', trainee: 'own', handed: 'own' },
  'make-call': { head: 'all', trainer: 'all', trainee: 'own', handed: 'own' },
  'fill-slip': { head: 'all', trainer: 'all', trainee: 'own', handed: 'own' },
  overrule: { head: 'all', trainer: 'all', trainee: 'none', handed: 'none' },
  /** To say afterwards what a shot was for: a trainee's own could be called otherwise so that it would not count. */
  'repurpose-shot': { head: 'all', trainer: 'all', trainee: 'none', handed: 'none' },
  'add-photo': { head: 'all', trainer: 'all', trainee: 'own', handed: 'none' },
  'see-trainings': { head: 'all', trainer: 'all', trainee: 'own', handed: 'none' },
  'lead-training': { head: 'all', trainer: 'all', trainee: 'none', handed: 'none' },
  /** Own is a seat that whoever leads has opened for it, by letting trainees set the grind. */
  'dial-in': { head: 'all', trainer: 'all', trainee: 'own', handed: 'none' },
  /** Own is a seat in the training: peers watch one another. */
  watch: { head: 'all', trainer: 'all', trainee: 'own', handed: 'none' },
  'tell-stage': { head: 'all', trainer: 'all', trainee: 'own', handed: 'none' },
  'see-sign-offs': { head: 'all', trainer: 'all', trainee: 'own', handed: 'none' },
  /** Own is what whoever is assessed may say of it: to ask for another look, to answer. */
  assess: { head: 'all', trainer: 'all', trainee: 'own', handed: 'none' },
  sign: { head: 'all', trainer: 'all', trainee: 'none', handed: 'none' },
  'see-people': { head: 'all', trainer: 'all', trainee: 'own', handed: 'none' },
  'invite-people': { head: 'all', trainer: 'none', trainee: 'none', handed: 'none' },
  'change-people': { head: 'all', trainer: 'none', trainee: 'none', handed: 'none' },
  'export-person': { head: 'all', trainer: 'own', trainee: 'own', handed: 'none' },
  'erase-person': { head: 'all', trainer: 'none', trainee: 'none', handed: 'none' },
  'see-prepared': { head: 'all', trainer: 'all', trainee: 'all', handed: 'none' },
  prepare: { head: 'all', trainer: 'all', trainee: 'none', handed: 'none' },
  'see-audit': { head: 'all', trainer: 'none', trainee: 'none', handed: 'none' },
  'decide-set-aside': { head: 'all', trainer: 'none', trainee: 'none', handed: 'none' },
  'use-own-door': { head: 'own', trainer: 'own', trainee: 'own', handed: 'none' },
  /** What was entered in one's name: whoever is named says whether it is theirs, and nobody else. */
  'decide-claims': { head: 'own', trainer: 'own', trainee: 'own', handed: 'none' },
  'hand-over': { head: 'all', trainer: 'all', trainee: 'none', handed: 'none' },
  'take-back': { head: 'none', trainer: 'none', trainee: 'none', handed: 'own' },
  /** Who is here: every session may ask. */
  'see-session': { head: 'own', trainer: 'own', trainee: 'own', handed: 'own' },
} as const satisfies Record<string, Record<Part, Whose>>

export type Action = keyof typeof ACCESS

/** How far an action reaches for a part. */
export function reachOf(part: Part, action: Action): Whose {
  return ACCESS[action][part]
}

/** Whether a part may do an action to a thing, given whether the thing is its own. */
export function mayDo(part: Part, action: Action, isOwn: boolean): boolean {
  const reach: Whose = reachOf(part, action)
  return reach === 'all' || (reach === 'own' && isOwn)
}
