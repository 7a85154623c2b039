import { createI18n } from 'vue-i18n'
import { enFirst } from './enFirst.ts'

/** The message catalogue; a second language is further files here. */
export const i18n = createI18n({
  legacy: false,
  locale: 'en',
  fallbackLocale: 'en',
  // A copy: what places bring is merged into it.
  messages: { en: { ...enFirst } },
})

const dialIn = async () => (await import('./enDialIn.ts')).enDialIn
const doors = async () => (await import('./enDoors.ts')).enDoors
const fields = async () => (await import('./enFields.ts')).enFields
const forms = async () => (await import('./enForms.ts')).enForms
const glossary = async () => (await import('./enGlossary.ts')).enGlossary
const grinder = async () => (await import('./enGrinder.ts')).enGrinder
const judgement = async () => (await import('./enJudgement.ts')).enJudgement
const people = async () => (await import('./enPeople.ts')).enPeople
const prepare = async () => (await import('./enPrepare.ts')).enPrepare
const progress = async () => (await import('./enProgress.ts')).enProgress
const reading = async () => (await import('./enReading.ts')).enReading
const room = async () => (await import('./enRoom.ts')).enRoom
const tasting = async () => (await import('./enTasting.ts')).enTasting
const waiting = async () => (await import('./enWaiting.ts')).enWaiting

/** Words that only some places need, and are fetched with them. */
export const PARTS = {
  bar: [grinder],
  dialIn: [dialIn, grinder, judgement, reading],
  doors: [forms, doors],
  glossary: [glossary],
  pastTrainings: [forms],
  prepare: [forms, fields, prepare, room, grinder, glossary],
  progress: [progress, judgement, reading],
  reading: [judgement, reading, tasting],
  settings: [forms, doors, people, judgement, reading],
  waiting: [forms, waiting],
} satisfies Record<string, readonly (() => Promise<object>)[]>

export type WordsPart = keyof typeof PARTS

/** Loads a place together with its words, so that it never stands there without them. */
export function withWords<T>(part: WordsPart, load: () => Promise<T>): () => Promise<T> {
  return async () => {
    const bringing = PARTS[part].map(async (bring) => i18n.global.mergeLocaleMessage('en', await bring()))
    const [place] = await Promise.all([load(), ...bringing])
    return place
  }
}
