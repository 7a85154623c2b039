import type { PassedOn } from './hub.ts'

/**
 * So far back it is known what was told. A line is begun before it is heard: what a page asked for meanwhile may have been
 * answered before something happened, of which it would hear nothing.
 */
export const LATELY_MS = 3000
/** Of more than so many things at once nobody is told one by one. */
const MOST = 100

/** What was told of late, the last of each thing, by academy. */
export function lately() {
  const told = new Map<string, Map<string, { atMs: number; passed: PassedOn }>>()

  function note(passed: PassedOn, atMs: number): void {
    // Whose door it is is asked as a line begins.
    if (passed.news.kind === 'doors') return
    const here = told.get(passed.academyId) ?? new Map<string, { atMs: number; passed: PassedOn }>()
    const thing = thingOf(passed)
    // The last one stands last.
    here.delete(thing)
    told.set(passed.academyId, here.set(thing, { atMs, passed }))
    forget(here, atMs)
  }

  /** In the order in which it came; null where that is too much to tell. */
  function since(academyId: string, nowMs: number): PassedOn[] | null {
    const here = told.get(academyId)
    if (here === undefined) return []
    forget(here, nowMs)
    if (here.size === 0) told.delete(academyId)
    return here.size > MOST ? null : [...here.values()].map(({ passed }) => passed)
  }

  return { note, since, clear: () => told.clear() }
}

function forget(here: Map<string, { atMs: number }>, nowMs: number): void {
  for (const [thing, { atMs }] of here) {
    if (nowMs - atMs <= LATELY_MS) return
    here.delete(thing)
  }
}

function thingOf({ news }: PassedOn): string {
  return news.kind === 'stage'
    ? `stage ${news.trainingId} ${news.stage.group}`
    : Object.values(news).join(' ')
}
