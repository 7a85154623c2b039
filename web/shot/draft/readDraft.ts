import { BOUNDS } from '@calm-apron/contract'
import {
  type ShotClock,
  type ShotFacts,
  type ShotNotes,
  asTyped,
  noNotes,
  roundG,
  toBase,
} from '@calm-apron/core'
import {
  type EntryIssue,
  type Filled,
  type FilledWeighing,
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
  const filled = filledOf(draft)
  const grind = readNumber(draft.grindText, BOUNDS.grindSetting)
  const dose = readWeighing(draft.dose, BOUNDS.doseNetG, draft.massUnit, filled?.dose)
  const cup = readWeighing(draft.cup, BOUNDS.cupNetG, draft.massUnit, filled?.cup)
  const clock = readClock(draft.clock)
  const extra = readExtra(draft, filled)
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

/** What each field that shows less than the record holds was filled with. */
interface FilledDraft {
  dose: FilledWeighing
  cup: FilledWeighing
  beans: Filled
  secondCup: Filled
}

function filledOf(draft: ShotDraft): FilledDraft | null {
  const { filledWith, massUnit } = draft
  if (filledWith === undefined) return null
  const filled = (value: number | null | undefined): Filled => ({
    text: value == null ? '' : asTyped(massUnit, value),
    value: value ?? null,
  })
  const weighed = (weighing: ShotFacts['dose']): FilledWeighing => ({
    net: weighing?.by === 'net' ? filled(weighing.netG) : null,
    gross: weighing?.by === 'gross' ? filled(weighing.grossG) : null,
    tare: weighing?.by === 'gross' ? filled(weighing.tareG) : null,
  })
  return {
    dose: weighed(filledWith.dose),
    cup: weighed(filledWith.cup),
    beans: filled(filledWith.noted?.beansInG),
    secondCup: filled(filledWith.noted?.cupsG?.[1]),
  }
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

function readExtra({ extra, massUnit }: ShotDraft, filled: FilledDraft | null): ReadExtra {
  const inG = (shown: number) => roundG(toBase(massUnit, shown))
  const read = {
    beans: readNumber(extra.beans, BOUNDS.doseNetG, inG, filled?.beans),
    force: readNumber(extra.force, { min: 0, max: BOUNDS.forceN.max }),
    cupMl: readNumber(extra.cupMl, BOUNDS.cupMl),
    secondCup: readNumber(extra.secondCup, BOUNDS.cupNetG, inG, filled?.secondCup),
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
  { noted, filledWith }: ShotDraft,
): Pick<ShotFacts, 'measured' | 'noted'> {
  const { cupMl, force, beans, secondCup, prediction } = values
  const notes: ShotNotes = {
    ...noted,
    beansInG: beans,
    cupsG: secondCup === null || cupG === null ? null : cupsOf(cupG, secondCup, filledWith?.noted?.cupsG),
    predicted:
      prediction === null && (noted.predicted?.byToolS ?? null) === null
        ? null
        : { byPersonS: prediction, byToolS: noted.predicted?.byToolS ?? null },
  }
  const leadG = filledWith?.measured?.leadG ?? null
  const isNoted = JSON.stringify(notes) !== JSON.stringify(noNotes())
  return {
    ...((cupMl !== null || force !== null || leadG !== null) && {
      measured: { cupMl, tampForceN: force, leadG },
    }),
    ...(isNoted && { noted: notes }),
  }
}

/** Two cups of which the second and the sum are known; as they were recorded where that is still so. */
function cupsOf(sumG: number, secondG: number, recorded: ShotNotes['cupsG'] | undefined): [number, number] {
  const firstG = roundG(Math.max(0, sumG - secondG))
  const isAsRecorded = recorded != null && recorded[1] === secondG && roundG(recorded[0]) === firstG
  return isAsRecorded ? [...recorded] : [firstG, secondG]
}
