import { BOUNDS } from '@calm-apron/contract'
import { type ShotClock, type ShotFacts, type ShotNotes, noNotes, roundG, toBase } from '@calm-apron/core'
import {
  type EntryIssue,
  type ReadWeighing,
  type WeighingField,
  readNumber,
  readWeighing,
} from './readEntry.ts'
import type { BarStep, ClockEntry, ExtraTexts, ShotDraft } from './shotDraft.ts'

export type DraftField =
  'grind' | `dose.${WeighingField}` | `cup.${WeighingField}` | ClockField | keyof ExtraTexts
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
  const grind = readNumber(draft.grindText, BOUNDS.grindSetting)
  const dose = readWeighing(draft.dose, BOUNDS.doseNetG, draft.massUnit)
  const cup = readWeighing(draft.cup, BOUNDS.cupNetG, draft.massUnit)
  const clock = readClock(draft.clock)
  const extra = readExtra(draft)
  const issues: ReadDraft['issues'] = [
    ...(grind.issue ? [{ field: 'grind', step: 'ready', issue: grind.issue } as const] : []),
    ...weighingIssues('dose', dose),
    ...clock.issues.map(({ field, issue }) => ({ field, step: 'pull', issue }) as const),
    ...weighingIssues('cup', cup),
    ...extra.issues,
  ]
  const facts: ShotFacts = {
    grindSetting: grind.issue ? null : grind.value,
    ...gateOf(draft),
    dose: dose.weighing,
    tamp: { ...draft.tamp },
    clock: clock.clock,
    cup: cup.weighing,
    abandoned: draft.abandoned,
    taste: { ...draft.taste },
    look: { ...draft.look },
    ...(draft.wanted != null && { wanted: { ...draft.wanted } }),
    ...measuredOf(extra.values, cup.netG, draft),
  }
  return { facts, dose, cup, issues }
}

/** What was not answered of a question that is newer than the others is left out. */
function gateOf({ gate: { basketClean, ...gate } }: ShotDraft) {
  return { ...gate, ...(basketClean != null && { basketClean }) }
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

const STEP_OF_EXTRA: Record<keyof ExtraTexts, BarStep> = {
  beans: 'dose',
  force: 'tamp',
  cupMl: 'cup',
  secondCup: 'cup',
  prediction: 'ready',
}

interface ReadExtra {
  values: Record<keyof ExtraTexts, number | null>
  issues: ReadDraft['issues']
}

function readExtra({ extra, massUnit }: ShotDraft): ReadExtra {
  const inG = (shown: number) => roundG(toBase(massUnit, shown))
  const read = {
    beans: readNumber(extra.beans, BOUNDS.doseNetG, inG),
    force: readNumber(extra.force, { min: 0, max: BOUNDS.forceN.max }),
    cupMl: readNumber(extra.cupMl, BOUNDS.cupMl),
    secondCup: readNumber(extra.secondCup, BOUNDS.cupNetG, inG),
    prediction: readNumber(extra.prediction, BOUNDS.instantS),
  }
  const valueOf = (field: keyof ExtraTexts) => (read[field].issue === null ? read[field].value : null)
  return {
    values: {
      beans: valueOf('beans'),
      force: valueOf('force'),
      cupMl: valueOf('cupMl'),
      secondCup: valueOf('secondCup'),
      prediction: valueOf('prediction'),
    },
    // Object.entries forgets that the keys are fields.
    issues: Object.entries(read).flatMap(([field, { issue }]) =>
      issue === null
        ? []
        : [{ field: field as keyof ExtraTexts, step: STEP_OF_EXTRA[field as keyof ExtraTexts], issue }],
    ),
  }
}

/** What was measured and noted besides; left out where nothing was. */
function measuredOf(
  values: ReadExtra['values'],
  cupG: number | null,
  { noted }: ShotDraft,
): Pick<ShotFacts, 'measured' | 'noted'> {
  const { cupMl, force, beans, secondCup, prediction } = values
  const notes: ShotNotes = {
    ...noted,
    beansInG: beans,
    cupsG: secondCup === null || cupG === null ? null : [roundG(Math.max(0, cupG - secondCup)), secondCup],
    predicted:
      prediction === null && (noted.predicted?.byToolS ?? null) === null
        ? null
        : { byPersonS: prediction, byToolS: noted.predicted?.byToolS ?? null },
  }
  const isNoted = JSON.stringify(notes) !== JSON.stringify(noNotes())
  return {
    ...((cupMl !== null || force !== null) && { measured: { cupMl, tampForceN: force, leadG: null } }),
    ...(isNoted && { noted: notes }),
  }
}
