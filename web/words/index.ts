import { createI18n } from 'vue-i18n'
import { type Catalogue, en } from './en/index.ts'

/** The languages there are; the first is spoken until another is chosen. */
const CATALOGUES = { en } satisfies Record<string, Catalogue>
const LANGUAGE: keyof typeof CATALOGUES = 'en'
const { first, later } = CATALOGUES[LANGUAGE]

/** What speaks: every text of the app is asked of it by its key. */
export const i18n = createI18n({
  legacy: false,
  locale: LANGUAGE,
  fallbackLocale: LANGUAGE,
  // A copy: what places bring is merged into it.
  messages: { [LANGUAGE]: { ...first } },
})

/** Words that only some places need, and are fetched with them. */
export const PARTS = {
  bar: ['shot', 'grinder'],
  correct: ['shot', 'grinder', 'reading'],
  dialIn: ['shot', 'dialIn', 'grinder', 'judgement', 'reading'],
  doors: ['forms', 'doors'],
  glossary: ['shot', 'glossary'],
  pastTrainings: ['shot', 'forms', 'session'],
  prepare: ['shot', 'forms', 'fields', 'prepare', 'room', 'grinder', 'glossary', 'signOff'],
  progress: ['shot', 'forms', 'progress', 'judgement', 'reading', 'signOff'],
  shots: ['shot', 'forms', 'progress', 'judgement', 'reading'],
  reading: ['shot', 'judgement', 'reading', 'tasting'],
  training: ['shot', 'training', 'dialIn', 'grinder', 'judgement', 'reading', 'tasting'],
  session: ['shot', 'forms', 'session', 'progress'],
  settings: ['shot', 'forms', 'doors', 'people', 'judgement', 'reading'],
  signOff: ['shot', 'forms', 'signOff'],
  cups: ['shot', 'forms', 'signOff', 'tasting'],
  waiting: ['shot', 'forms', 'waiting'],
} as const satisfies Record<string, readonly (keyof Catalogue['later'])[]>

export type WordsPart = keyof typeof PARTS

/** Fetches a part of the catalogue. */
export async function bringWords(part: WordsPart): Promise<void> {
  const bringing = PARTS[part].map(async (name) =>
    i18n.global.mergeLocaleMessage(LANGUAGE, await later[name]()),
  )
  await Promise.all(bringing)
}

/** Loads a place together with its words, so that it never stands there without them. */
export function withWords<T>(part: WordsPart, load: () => Promise<T>): () => Promise<T> {
  return async () => {
    const [place] = await Promise.all([load(), bringWords(part)])
    return place
  }
}
