import {
  FACTS,
  type FactRow,
  type FactRows,
  type OwnStepSeen,
  type ShapedNotes,
  type ShotFacts,
  type Weighing,
  type WeightSeen,
  isDoseSeen,
  netG,
  noNotes,
} from '@calm-apron/core'
import { useI18n } from 'vue-i18n'
import { useDoseWords } from '../dose/useDoseWords.ts'
import { useFormat } from '../../kit/units/useFormat.ts'
import { rowsOf } from '../facts/factRows.ts'

export interface FactLine {
  label: string
  value: string
}

/** One way to say each of some facts: a fact without one does not compile. */
type LinesOf<T> = { readonly [F in keyof Required<T>]: (of: T) => FactLine[] }
/** What has a shape of its own stands in no row of the table. */
type Shaped = Omit<ShotFacts, keyof typeof FACTS.gate | keyof typeof FACTS.shot>

/** The facts of a shot line by line, as they were recorded: what every house looks at says so where it is not known, the rest where it is. */
export function useFactLines(settingWords?: SettingWords): (facts: ShotFacts) => FactLine[] {
  const { line, noted } = useLines()
  const rowLines = useRowLines(settingWords)
  const clockLines = useClockLines()
  const notedLines = useNotedLines()
  const weighed = useWeighed()
  const doseWords = useDoseWords()
  const format = useFormat()
  const inTable = (part: keyof typeof FACTS, values: object) => rowLines(rowsOf(part), values)

  const shaped: LinesOf<Shaped> = {
    wanted: ({ wanted }) => [
      ...noted('recorded.wantedDose', wanted?.doseG, format.mass),
      ...noted('recorded.wantedYield', wanted?.yieldG, format.mass),
    ],
    dose: ({ dose }) =>
      line('recorded.dose', dose, (it) => (isDoseSeen(it) ? doseWords.seenWords(it) : weighed(it))),
    tamp: ({ tamp }) => inTable('tamp', tamp),
    clock: ({ clock }) => clockLines(clock),
    cup: ({ cup }) => line('recorded.cup', cup, weighed),
    measured: ({ measured = {} }) => inTable('measured', measured),
    look: ({ look }) => inTable('look', look),
    taste: ({ taste }) => inTable('taste', taste),
    noted: ({ noted: notes = noNotes() }) => [...inTable('noted', notes), ...notedLines(notes)],
    // The curve is drawn.
    samples: () => [],
  }

  return (facts) => [
    ...inTable('gate', facts),
    ...inTable('shot', facts),
    ...Object.values(shaped).flatMap((lines) => lines(facts)),
  ]
}

function useLines() {
  const { t } = useI18n()
  return {
    /** A line that is always there. */
    line: <T>(label: string, value: T | null | undefined, say: (value: T) => string): FactLine[] => [
      { label: t(label), value: value == null ? t('recorded.unknown') : say(value) },
    ],
    /** A line that is there where something was noted. */
    noted: <T>(label: string, value: T | null | undefined, say: (value: T) => string): FactLine[] =>
      value == null ? [] : [{ label: t(label), value: say(value) }],
  }
}

/** How a setting is said on the grinder it was pulled with; a plain number where that is not known. */
type SettingWords = (setting: number) => string

/** Lines of rows of the table, by the kind of each. */
function useRowLines(settingWords?: SettingWords) {
  const { t } = useI18n()
  const format = useFormat()
  const { line, noted } = useLines()

  function say(name: string, row: FactRow, value: unknown): string {
    if (name === 'grindSetting' && settingWords !== undefined) return settingWords(Number(value))
    if (row.kind === 'answer') return t(value === true ? 'answer.yes' : 'answer.no')
    if (row.kind === 'several')
      return Array.isArray(value) ? value.map((each) => t(`fact.${name}.is.${each}`)).join(', ') : ''
    if (row.kind === 'choice') return t(`fact.${name}.is.${String(value)}`)
    if (row.kind === 'rating' || row.unit === 'none') return format.plain(Number(value))
    return row.unit === 's' ? format.seconds(Number(value)) : format.quantity(row.unit, Number(value))
  }

  return (rows: FactRows, values: object): FactLine[] =>
    Object.entries(rows).flatMap(([name, row]) => {
      const value: unknown = Reflect.get(values, name)
      const known = Array.isArray(value) && value.length === 0 ? null : value
      return (row.isAlwaysSaid === true ? line : noted)(`fact.${name}.label`, known, (it) =>
        say(name, row, it),
      )
    })
}

function useWeighed() {
  const { t } = useI18n()
  const format = useFormat()
  return (weighing: Weighing): string => {
    const net = format.mass(netG(weighing) ?? 0)
    if (weighing.by === 'net') return net
    const { grossG, tareG } = weighing
    return t('recorded.weighed', { gross: format.mass(grossG), tare: format.mass(tareG), net })
  }
}

function useClockLines() {
  const { t } = useI18n()
  const format = useFormat()
  const { line, noted } = useLines()

  function firstDrop({ firstDropS, firstDrop: mark }: NonNullable<ShotFacts['clock']>): string {
    if (firstDropS !== null) return format.seconds(firstDropS)
    return t(mark === 'none' ? 'recorded.none' : 'recorded.missed')
  }

  return (clock: ShotFacts['clock']): FactLine[] => [
    ...noted('recorded.release', clock?.preinfusionEndS, format.seconds),
    ...line('recorded.firstDrop', clock, firstDrop),
    ...line('recorded.stop', clock?.stopS, format.seconds),
    ...noted('recorded.lastDrip', clock?.lastDripS, format.seconds),
    ...noted('recorded.estimated', clock?.estimated === true ? true : null, () => t('answer.yes')),
  ]
}

/** Lines of notes that have a shape of their own. */
function useNotedLines() {
  const { t } = useI18n()
  const format = useFormat()
  const { noted } = useLines()
  const listed = <T>(label: string, values: readonly T[], say: (value: T) => string) =>
    noted(label, values.length === 0 ? null : values, (all) => all.map(say).join(', '))

  function signWords([sign, isSeen]: [string, boolean]): string {
    const name = t(`sign.${sign}`)
    return isSeen ? name : t('recorded.notSeen', { sign: name })
  }
  const stepWords = (step: string) => t(`shotStep.${step}.what`)
  const markWords = ({ mark, atS }: ShapedNotes['marks'][number]) =>
    t('mark.last', { mark: t(`mark.${mark}`), at: format.seconds(atS) })

  const ownWords = ({ what, mark }: OwnStepSeen) =>
    t('recorded.ownStep', { step: what, mark: t(`stepMark.${mark}`) })
  const weightWords = ({ atS, weightG }: WeightSeen) =>
    t('weightsSeen.at', { weight: format.mass(weightG), at: format.seconds(atS) })

  const lines: LinesOf<ShapedNotes> = {
    marks: ({ marks }) => listed('recorded.marks', marks, markWords),
    weightsSeen: ({ weightsSeen }) => listed('recorded.weightsSeen', weightsSeen, weightWords),
    cupsG: ({ cupsG }) => noted('recorded.secondCup', cupsG?.[1], format.mass),
    predicted: ({ predicted }) => [
      ...noted('recorded.predicted', predicted?.byPersonS, format.seconds),
      ...noted('recorded.predictedByTool', predicted?.byToolS, format.seconds),
    ],
    signs: ({ signs }) => listed('recorded.signs', Object.entries(signs), signWords),
    stepsDone: ({ stepsDone }) => listed('recorded.stepsDone', stepsDone, stepWords),
    stepsPrompted: ({ stepsPrompted }) => listed('recorded.stepsPrompted', stepsPrompted, stepWords),
    stepsMissed: ({ stepsMissed }) => listed('recorded.stepsMissed', stepsMissed, stepWords),
    ownSteps: ({ ownSteps }) => listed('recorded.ownSteps', ownSteps, ownWords),
  }
  return (notes: ShapedNotes): FactLine[] => Object.values(lines).flatMap((each) => each(notes))
}
