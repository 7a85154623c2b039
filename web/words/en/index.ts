import { firstWords } from './first.ts'

/** The English catalogue: what is there from the start, and what is fetched with the places that need it. */
export const en = {
  first: firstWords,
  later: {
    dialIn: async () => (await import('./dialIn.ts')).dialInWords,
    doors: async () => (await import('./doors.ts')).doorsWords,
    fields: async () => (await import('./fields.ts')).fieldsWords,
    forms: async () => (await import('./forms.ts')).formsWords,
    glossary: async () => (await import('./glossary.ts')).glossaryWords,
    grinder: async () => (await import('./grinder.ts')).grinderWords,
    judgement: async () => (await import('./judgement.ts')).judgementWords,
    people: async () => (await import('./people.ts')).peopleWords,
    prepare: async () => (await import('./prepare.ts')).prepareWords,
    progress: async () => (await import('./progress.ts')).progressWords,
    reading: async () => (await import('./reading.ts')).readingWords,
    room: async () => (await import('./room.ts')).roomWords,
    session: async () => (await import('./session.ts')).sessionWords,
    signOff: async () => (await import('./signOff.ts')).signOffWords,
    shot: async () => (await import('./shot.ts')).shotWords,
    training: async () => (await import('./training.ts')).trainingWords,
    tasting: async () => (await import('./tasting.ts')).tastingWords,
    waiting: async () => (await import('./waiting.ts')).waitingWords,
  },
}

/** All words of a language; another one is another folder of this type, and does not compile with a word missing. */
export type Catalogue = typeof en
