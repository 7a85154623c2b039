import { BOUNDS } from '@calm-apron/contract'
import type { ShotClock, ShotFacts } from '@calm-apron/core'
import {
  type EntryIssue,
  type ReadWeighing,
  type WeighingField,
  readNumber,
  readWeighing,
} from './readEntry.ts'
import type { BarStep, ClockEntry, ShotDraft } from './shotDraft.ts'

export type DraftField = 'grind' | `dose.${WeighingField}` | `cup.${WeighingField}` | 'firstDrop' | 'stop'

/** A draft as facts, as far as it can be read, and every field that needs mending with the step it stands in. */
export interface ReadDraft {
  facts: ShotFacts
  dose: ReadWeighing
  cup: ReadWeighing
  issues: { field: DraftField; step: BarStep; issue: EntryIssue }[]
}

/** Reads a draft; a field with an issue counts as not known. */
export function readDraft(draft: ShotDraft): ReadDraft {
  const grind = readNumber(draft.grindText, BOUNDS.grindSetting)
  const dose = readWeighing(draft.dose, BOUNDS.doseNetG, draft.massUnit)
  const cup = readWeighing(draft.cup, BOUNDS.cupNetG, draft.massUnit)
  const clock = readClock(draft.clock)
  const issues: ReadDraft['issues'] = [
    ...(grind.issue ? [{ field: 'grind', step: 'ready', issue: grind.issue } as const] : []),
    ...weighingIssues('dose', dose),
    ...clock.issues.map(({ field, issue }) => ({ field, step: 'pull', issue }) as const),
    ...weighingIssues('cup', cup),
  ]
  const facts: ShotFacts = {
    grindSetting: grind.issue ? null : grind.value,
    ...draft.gate,
    dose: dose.weighing,
    tamp: { ...draft.tamp },
    clock: clock.clock,
    cup: cup.weighing,
    abandoned: draft.abandoned,
    taste: { ...draft.taste },
    look: { ...draft.look },
  }
  return { facts, dose, cup, issues }
}

function weighingIssues(step: 'dose' | 'cup', read: ReadWeighing): ReadDraft['issues'] {
  return Object.entries(read.issues).map(([field, issue]) => ({
    // Object.entries forgets that the keys are weighing fields.
    field: `${step}.${field as WeighingField}`,
    step,
    issue,
  }))
}

interface ReadClock {
  clock: ShotClock | null
  issues: { field: 'firstDrop' | 'stop'; issue: EntryIssue }[]
}

/** A clock counts once the shot was stopped. */
function readClock(entry: ClockEntry): ReadClock {
  const firstDrop = readNumber(entry.firstDropText, BOUNDS.instantS)
  const stop = readNumber(entry.stopText, BOUNDS.instantS)
  const issues: ReadClock['issues'] = []
  if (firstDrop.issue) issues.push({ field: 'firstDrop', issue: firstDrop.issue })
  if (stop.issue) issues.push({ field: 'stop', issue: stop.issue })
  if (issues.length > 0) return { clock: null, issues }
  if (stop.value === null) {
    const isRunning = entry.startedAtMs !== null
    return {
      clock: null,
      issues:
        firstDrop.value === null || isRunning ? [] : [{ field: 'stop', issue: { code: 'stop-missing' } }],
    }
  }
  if (firstDrop.value !== null && firstDrop.value > stop.value) {
    return { clock: null, issues: [{ field: 'stop', issue: { code: 'stop-before-first-drop' } }] }
  }
  const mark = firstDrop.value === null ? (entry.unmarkedDrop ?? 'missed') : 'marked'
  return {
    clock: { firstDrop: mark, firstDropS: firstDrop.value, stopS: stop.value, estimated: entry.estimated },
    issues: [],
  }
}
