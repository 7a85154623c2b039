import { BOUNDS } from '@calm-apron/contract'
import {
  type BarStep,
  type DoseFact,
  type DoseSeen,
  type FACTS,
  type FactPart,
  type FactsOf,
  type ShotClock,
  type ShotFacts,
  type ShotNotes,
  asTyped,
  isCountMethod,
  isDoseSeen,
  noNotes,
  roundG,
} from '@calm-apron/core'
import equal from 'fast-deep-equal'
import { isDoseWeighed } from '../dose/doseMethod.ts'
import { answerIn } from '../facts/draftAnswers.ts'
import { TYPED_ROWS, type TypedFact, rowsOf } from '../facts/factRows.ts'
import {
  type EntryIssue,
  type Filled,
  type FilledWeighing,
  type ReadWeighing,
  type WeighingField,
  readNumber,
  readWeighing,
} from './readEntry.ts'
import { type ClockEntry, type ShotDraft, recordedNumbers } from './shotDraft.ts'
import { readTyped } from './typedFacts.ts'

export type DraftField = `dose.${WeighingField}` | `cup.${WeighingField}` | ClockField | TypedFact
type ClockField = 'release' | 'firstDrop' | 'stop' | 'lastDrip'

/** A draft as facts, as far as it can be read, and every field that needs mending with the step it stands in. */
export interface ReadDraft {
  facts: ShotFacts
  dose: ReadWeighing
  cup: ReadWeighing
  issues: { field: DraftField; step: BarStep; issue: EntryIssue }[]
}

/** Reads a draft; a field with an issue counts as not known. */
export function readDraft(draft: ShotDraft): ReadDraft {
  const { filledWith, units } = draft
  const dose = readWeighing(draft.dose, BOUNDS.doseNetG, units.mass, filledWeighing(draft, 'dose'))
  const cup = readWeighing(draft.cup, BOUNDS.cupNetG, units.mass, filledWeighing(draft, 'cup'))
  const clock = readClock(draft.clock)
  const typed = readTyped(draft.texts, units, filledWith ? recordedNumbers(filledWith) : () => undefined)
  const issues: ReadDraft['issues'] = [
    ...typedIssues(typed.issues),
    ...weighingIssues('dose', dose),
    ...clock.issues.map(({ field, issue }) => ({ field, step: 'pull', issue }) as const),
    ...weighingIssues('cup', cup),
  ]
  const doseRead = dose.weighing ?? doseSeenIn(draft, typed.values['doseCount'] ?? null)
  const part = <P extends FactPart>(name: P) => readPart(draft, name, typed.values)
  const facts: ShotFacts = {
    ...part('gate'),
    ...part('shot'),
    dose: doseRead,
    tamp: part('tamp'),
    clock: clock.clock,
    cup: cup.weighing,
    taste: part('taste'),
    look: part('look'),
    ...(draft.wanted != null && { wanted: { ...draft.wanted } }),
    ...measuredOf(part('measured')),
    ...notedOf(draft, { ...part('noted'), doseMethod: methodNoted(draft, doseRead) }, typed.values, cup.netG),
  }
  return { facts, dose, cup, issues }
}

/** A dose that nobody weighed, by the mark or the count that it is measured with; null where nothing was seen of it. */
function doseSeenIn(draft: ShotDraft, count: number | null): DoseSeen | null {
  const method = draft.noted.doseMethod ?? 'scale'
  if (method === 'scale' || isDoseWeighed(draft)) return null
  if (isCountMethod(method)) return count === null ? null : { by: 'count', of: method, count }
  return draft.doseAt === null ? null : { by: 'mark', mark: method, at: draft.doseAt }
}

/** How a weighed dose was measured; one that was seen says so itself. */
function methodNoted({ noted }: ShotDraft, dose: DoseFact | null): ShotNotes['doseMethod'] {
  return dose === null || isDoseSeen(dose) ? null : noted.doseMethod
}

/** A part of the table as it was answered and typed; what is newer than the rest is left out where it is not known. */
function readPart<P extends FactPart>(
  draft: ShotDraft,
  part: P,
  typed: Readonly<Record<string, number | null>>,
): FactsOf<(typeof FACTS)[P]> {
  const read = Object.entries(rowsOf(part)).flatMap(([name, { isLater }]) => {
    const value = TYPED_ROWS.has(name) ? typed[name] : answerIn(draft, { part, name })
    return isLater === true && value == null ? [] : [[name, value]]
  })
  // Object.fromEntries forgets which name has which value.
  return Object.fromEntries(read) as FactsOf<(typeof FACTS)[P]>
}

/** What was measured besides; left out where nothing was. */
function measuredOf(measured: NonNullable<ShotFacts['measured']>): Pick<ShotFacts, 'measured'> {
  return Object.values(measured).some((value) => value !== null) ? { measured } : {}
}

/** What was noted besides; left out where nothing was. */
function notedOf(
  { noted, filledWith }: ShotDraft,
  rows: FactsOf<typeof FACTS.noted>,
  { secondCupG = null, predictedS = null }: Readonly<Record<string, number | null>>,
  cupG: number | null,
): Pick<ShotFacts, 'noted'> {
  const byToolS = noted.predicted?.byToolS ?? null
  const { marks, weightsSeen, signs, stepsDone, stepsPrompted, stepsMissed, ownSteps } = noted
  const notes: ShotNotes = {
    ...rows,
    marks,
    weightsSeen,
    signs,
    stepsDone,
    stepsPrompted,
    stepsMissed,
    ownSteps,
    cupsG: secondCupG === null || cupG === null ? null : cupsOf(cupG, secondCupG, filledWith?.noted?.cupsG),
    predicted: predictedS === null && byToolS === null ? null : { byPersonS: predictedS, byToolS },
  }
  return equal(notes, noNotes()) ? {} : { noted: notes }
}

/** What a weight was filled with, of which its texts show less. */
function filledWeighing({ filledWith, units }: ShotDraft, name: 'dose' | 'cup'): FilledWeighing | undefined {
  if (filledWith === undefined) return undefined
  const weighing = filledWith[name]
  const filled = (value: number): Filled => ({ text: asTyped(units.mass, value), value })
  return {
    net: weighing?.by === 'net' ? filled(weighing.netG) : null,
    gross: weighing?.by === 'gross' ? filled(weighing.grossG) : null,
    tare: weighing?.by === 'gross' ? filled(weighing.tareG) : null,
  }
}

function typedIssues(issues: ReturnType<typeof readTyped>['issues']): ReadDraft['issues'] {
  return issues.map(({ field, issue }) => ({
    // Names are those of the rows.
    field: field as TypedFact,
    step: TYPED_ROWS.get(field)?.step ?? 'ready',
    issue,
  }))
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
  issues: { field: ClockField; issue: EntryIssue }[]
}

/** A clock counts once the shot was stopped. */
function readClock(entry: ClockEntry): ReadClock {
  const firstDrop = readNumber(entry.firstDropText, BOUNDS.instantS)
  const stop = readNumber(entry.stopText, BOUNDS.instantS)
  const release = readNumber(entry.releaseText, BOUNDS.instantS)
  const lastDrip = readNumber(entry.lastDripText, BOUNDS.instantS)
  const issues: ReadClock['issues'] = []
  if (release.issue) issues.push({ field: 'release', issue: release.issue })
  if (lastDrip.issue) issues.push({ field: 'lastDrip', issue: lastDrip.issue })
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
  if (release.value !== null && release.value > stop.value)
    return { clock: null, issues: [{ field: 'release', issue: { code: 'release-after-stop' } }] }
  const mark = firstDrop.value === null ? (entry.unmarkedDrop ?? 'missed') : 'marked'
  return {
    clock: {
      firstDrop: mark,
      firstDropS: firstDrop.value,
      ...(release.value !== null && { preinfusionEndS: release.value }),
      stopS: stop.value,
      // One that was typed before the stop was mended can only have fallen by then.
      ...(lastDrip.value !== null && { lastDripS: Math.max(lastDrip.value, stop.value) }),
      estimated: entry.estimated,
    },
    issues: [],
  }
}

/** Two cups of which the second and the sum are known; as they were recorded where that is still so. */
function cupsOf(sumG: number, secondG: number, recorded: ShotNotes['cupsG'] | undefined): [number, number] {
  const firstG = roundG(Math.max(0, sumG - secondG))
  const isAsRecorded = recorded != null && recorded[1] === secondG && roundG(recorded[0]) === firstG
  return isAsRecorded ? [...recorded] : [firstG, secondG]
}
