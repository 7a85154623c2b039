import { type ShotFacts, type Weighing, netG } from '@calm-apron/core'
import equal from 'fast-deep-equal'
import { useI18n } from 'vue-i18n'
import { GATE_QUESTIONS } from '../bar/shotDraft.ts'
import { useFormat } from '../units/useFormat.ts'

export interface FactLine {
  label: string
  value: string
}

/** The facts of a shot line by line, as they were recorded; what is not known says so. */
export function useFactWords() {
  const { t } = useI18n()
  const format = useFormat()
  const unknown = () => t('fact.unknown')
  const answer = (value: boolean | null) =>
    value === null ? unknown() : t(value ? 'answer.yes' : 'answer.no')

  function weighed(weighing: Weighing | null): string {
    if (weighing === null) return unknown()
    const net = format.mass(netG(weighing) ?? 0)
    if (weighing.by === 'net') return net
    return t('fact.weighed', { gross: format.mass(weighing.grossG), tare: format.mass(weighing.tareG), net })
  }

  function firstDrop({ clock }: ShotFacts): string {
    if (clock === null) return unknown()
    return clock.firstDropS === null
      ? t(clock.firstDrop === 'none' ? 'fact.none' : 'fact.missed')
      : format.seconds(clock.firstDropS)
  }

  function tampWords({ tilt, lowSide, settled }: ShotFacts['tamp']): string {
    const parts = [
      ...(tilt === null ? [] : [t(`tilt.${tilt}`)]),
      ...(lowSide === null ? [] : [t(`rail.low.${lowSide}`)]),
      ...(settled === null ? [] : [t(settled ? 'rail.settled' : 'rail.unsettled')]),
    ]
    return parts.length === 0 ? unknown() : parts.join(', ')
  }

  function lines(facts: ShotFacts): FactLine[] {
    const { clock, look, abandoned, taste } = facts
    return [
      ...GATE_QUESTIONS.map((question) => ({
        label: t(`gate.${question}`),
        value: answer(facts[question] ?? null),
      })),
      {
        label: t('fact.grindSetting'),
        value: facts.grindSetting === null ? unknown() : format.plain(facts.grindSetting),
      },
      { label: t('fact.dose'), value: weighed(facts.dose) },
      { label: t('fact.tamp'), value: tampWords(facts.tamp) },
      { label: t('fact.firstDrop'), value: firstDrop(facts) },
      { label: t('fact.stop'), value: clock === null ? unknown() : format.seconds(clock.stopS) },
      { label: t('fact.cup'), value: weighed(facts.cup) },
      ...fewMeasure(facts),
      ...(abandoned === null ? [] : [{ label: t('fact.abandoned'), value: t(`abandoned.${abandoned}`) }]),
      { label: t('fact.stream'), value: look.stream === null ? unknown() : t(`stream.${look.stream}`) },
      { label: t('fact.puck'), value: look.puck === null ? unknown() : t(`puck.${look.puck}`) },
      ...Object.entries(taste).map(([axis, value]) => ({
        label: t(`axis.${axis}`),
        value: value === null ? unknown() : String(value),
      })),
    ]
  }

  /** What only some houses measure: named where it was. */
  function fewMeasure({ clock, measured, noted }: ShotFacts): FactLine[] {
    const line = (label: string, value: number | null | undefined, say: (value: number) => string) =>
      value == null ? [] : [{ label: t(label), value: say(value) }]
    const force = (n: number) => format.quantity('force', n)
    return [
      ...line('fact.release', clock?.preinfusionEndS, format.seconds),
      ...line('fact.lastDrip', clock?.lastDripS, format.seconds),
      ...line('fact.force', measured?.tampForceN, force),
      ...line('fact.cupMl', measured?.cupMl, format.plain),
      ...line('fact.beans', noted?.beansInG, format.mass),
      ...line('fact.secondCup', noted?.cupsG?.[1], format.mass),
      ...line('fact.predicted', noted?.predicted?.byPersonS, format.seconds),
    ]
  }

  /** What differs between two states of the facts, in words; what has no line of its own is one of other notes. */
  function changes(before: ShotFacts, after: ShotFacts): string[] {
    const byLabel = (facts: ShotFacts) => new Map(lines(facts).map(({ label, value }) => [label, value]))
    const [old, now] = [byLabel(before), byLabel(after)]
    const named = [...new Set([...now.keys(), ...old.keys()])].flatMap((field) => {
      const [was, is] = [old.get(field) ?? unknown(), now.get(field) ?? unknown()]
      return was === is ? [] : [t('reading.changed', { field, before: was, after: is })]
    })
    if (named.length > 0 || isSame(before, after)) return named
    const words = { before: t('fact.othersBefore'), after: t('fact.othersAfter') }
    return [t('reading.changed', { field: t('fact.others'), ...words })]
  }

  return { lines, changes }
}

/** What was left out is not known, as null is. */
function isSame(before: ShotFacts, after: ShotFacts): boolean {
  const known = (_key: string, value: unknown) => value ?? undefined
  const plain = (facts: ShotFacts) => JSON.parse(JSON.stringify(facts, known)) as unknown
  return equal(plain(before), plain(after))
}
