import { type ShotNotes, noNotes } from '@calm-apron/core'
import { broughtUp } from './broughtUp.ts'

/** Notes of a shot as some version stored them. */
export type StoredNotes = Record<string, unknown>

/** One step from the notes of a version to those of the next. */
export type NotesStep = (notes: StoredNotes) => StoredNotes

/**
 * How notes that were stored by earlier versions become those of today, a step for each version from 1 on. A new fact needs
 * none: where it was not asked yet, nothing is known of it. One that is renamed, or means something else, gets a step.
 */
const STEPS: readonly NotesStep[] = []

/** The version in which notes are stored now. */
export const NOTED_VERSION = STEPS.length + 1

/** Stored notes as they would be stored now. They were checked by their schema when they were written. */
export function upcastNotes(
  notes: StoredNotes,
  version: number,
  steps: readonly NotesStep[] = STEPS,
): ShotNotes {
  return { ...noNotes(), ...broughtUp(notes, version, steps) }
}
