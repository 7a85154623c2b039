import { type ShotFacts, type ShotNotes, type Weighing, netG, noNotes } from '@calm-apron/core'
import { useI18n } from 'vue-i18n'
import { useFormat } from '../../kit/units/useFormat.ts'

export interface FactLine {
  label: string
  value: string
}

/** One line for each part of a shot's facts: a fact without one does not compile. */
type LinesOf<T> = { readonly [F in keyof Required<T>]: (of: T) => FactLine[] }

/** The facts of a shot line by line, as they were recorded: what every house looks at says so where it is not known, the rest where it is. */
export function useFactLines(): (facts: ShotFacts) => FactLine[] {
  const i18n = useI18n()
  const { t } = i18n
  const format = useFormat()
  const unknown = () => t('fact.unknown')
  const yesNo = (value: boolean) => t(value ? 'answer.yes' : 'answer.no')

  /** A line that is always there. */
  function line<T>(label: string, value: T | null | undefined, say: (value: T) => string): FactLine[] {
    return [{ label: t(label), value: value == null ? unknown() : say(value) }]
  }
  /** A line that is there where something was noted. */
  function noted<T>(label: string, value: T | null | undefined, say: (value: T) => string): FactLine[] {
    return value == null ? [] : [{ label: t(label), value: say(value) }]
  }
  const listed = <T>(label: string, values: readonly T[], say: (value: T) => string) =>
    noted(label, values.length === 0 ? null : values, (all) => all.map(say).join(', '))
  const gate = (question: string, value: boolean | null | undefined) => line(`gate.${question}`, value, yesNo)

  function weighed(weighing: Weighing): string {
    const net = format.mass(netG(weighing) ?? 0)
    if (weighing.by === 'net') return net
    return t('fact.weighed', { gross: format.mass(weighing.grossG), tare: format.mass(weighing.tareG), net })
  }
  function firstDrop({ firstDropS, firstDrop: mark }: NonNullable<ShotFacts['clock']>): string {
    if (firstDropS !== null) return format.seconds(firstDropS)
    return t(mark === 'none' ? 'fact.none' : 'fact.missed')
  }
  function tampWords({ tilt, lowSide, settled }: ShotFacts['tamp']): string | null {
    const parts = [
      ...(tilt === null ? [] : [t(`tilt.${tilt}`)]),
      ...(lowSide === null ? [] : [t(`rail.low.${lowSide}`)]),
      ...(settled === null ? [] : [t(settled ? 'rail.settled' : 'rail.unsettled')]),
    ]
    return parts.length === 0 ? null : parts.join(', ')
  }
  /** What can be ticked has words of its own; a sign that came by another way is named as it is kept. */
  function signWords([sign, isSeen]: [string, boolean]): string {
    const key = `look.sign.${sign}`
    const name = i18n.te(key) ? t(key) : sign.replaceAll('-', ' ')
    return isSeen ? name : t('fact.notSeen', { sign: name })
  }
  const stepWords = (step: string) => t(`shotStep.${step}.what`)
  const markWords = ({ mark, atS }: ShotNotes['marks'][number]) =>
    t('mark.last', { mark: t(`mark.${mark}`), at: format.seconds(atS) })
  const itself = (text: string) => text

  const ofNotes: LinesOf<ShotNotes> = {
    doseMethod: ({ doseMethod }) => noted('dose.method', doseMethod, (way) => t(`doseBy.${way}`)),
    distributions: ({ distributions }) =>
      listed('dose.spreadBy', distributions, (way) => t(`distribution.${way}`)),
    clumps: ({ clumps }) => noted('dose.clumps', clumps, yesNo),
    spilt: ({ spilt }) => noted('dose.spilt', spilt, yesNo),
    beansInG: ({ beansInG }) => noted('fact.beans', beansInG, format.mass),
    lowDose: ({ lowDose }) => noted('fact.lowDose', lowDose, (rule) => t(`lowDoseRule.${rule}`)),
    posture: ({ posture }) => noted('tamp.postureOf', posture, (way) => t(`posture.${way}`)),
    twisted: ({ twisted }) => noted('tamp.twisted', twisted, yesNo),
    rimWiped: ({ rimWiped }) => noted('tamp.rimWiped', rimWiped, yesNo),
    lockedFirmly: ({ lockedFirmly }) => noted('tamp.lockedFirmly', lockedFirmly, yesNo),
    lockToStartS: ({ lockToStartS }) => noted('fact.lockToStart', lockToStartS, format.seconds),
    marks: ({ marks }) => listed('fact.marks', marks, markWords),
    weightAtStopG: ({ weightAtStopG }) => noted('fact.weightAtStop', weightAtStopG, format.mass),
    cupsG: ({ cupsG }) => noted('fact.secondCup', cupsG?.[1], format.mass),
    predicted: ({ predicted }) => [
      ...noted('fact.predicted', predicted?.byPersonS, format.seconds),
      ...noted('fact.predictedByTool', predicted?.byToolS, format.seconds),
    ],
    signs: ({ signs }) => listed('fact.signs', Object.entries(signs), signWords),
    stepsDone: ({ stepsDone }) => listed('fact.stepsDone', stepsDone, stepWords),
    selfRating: ({ selfRating }) => noted('fact.selfRating', selfRating, String),
  }

  const ofFacts: LinesOf<ShotFacts> = {
    machineHot: ({ machineHot }) => gate('machineHot', machineHot),
    basketDry: ({ basketDry }) => gate('basketDry', basketDry),
    basketClean: ({ basketClean }) => gate('basketClean', basketClean),
    rightBasket: ({ rightBasket }) => gate('rightBasket', rightBasket),
    grinderPurged: ({ grinderPurged }) => gate('grinderPurged', grinderPurged),
    bedEven: ({ bedEven }) => gate('bedEven', bedEven),
    grindSetting: ({ grindSetting }) => line('fact.grindSetting', grindSetting, format.plain),
    wanted: ({ wanted }) => [
      ...noted('fact.wantedDose', wanted?.doseG, format.mass),
      ...noted('fact.wantedYield', wanted?.yieldG, format.mass),
    ],
    dose: ({ dose }) => line('fact.dose', dose, weighed),
    tamp: ({ tamp }) => line('fact.tamp', tampWords(tamp), itself),
    clock: ({ clock }) => [
      ...noted('fact.release', clock?.preinfusionEndS, format.seconds),
      ...line('fact.firstDrop', clock, firstDrop),
      ...line('fact.stop', clock?.stopS, format.seconds),
      ...noted('fact.lastDrip', clock?.lastDripS, format.seconds),
      ...noted('fact.estimated', clock?.estimated === true ? true : null, yesNo),
    ],
    cup: ({ cup }) => line('fact.cup', cup, weighed),
    measured: ({ measured }) => [
      ...noted('fact.cupMl', measured?.cupMl, format.plain),
      ...noted('fact.force', measured?.tampForceN, (n) => format.quantity('force', n)),
      ...noted('fact.lead', measured?.leadG, format.mass),
    ],
    abandoned: ({ abandoned }) => noted('fact.abandoned', abandoned, (why) => t(`abandoned.${why}`)),
    look: ({ look }) => [
      ...line('fact.stream', look.stream, (stream) => t(`stream.${stream}`)),
      ...line('fact.puck', look.puck, (puck) => t(`puck.${puck}`)),
    ],
    taste: ({ taste }) =>
      Object.entries(taste).flatMap(([axis, value]) => line(`axis.${axis}`, value, String)),
    noted: ({ noted: notes = noNotes() }) => Object.values(ofNotes).flatMap((lines) => lines(notes)),
    // The curve is drawn.
    samples: () => [],
  }

  return (facts) => Object.values(ofFacts).flatMap((lines) => lines(facts))
}
