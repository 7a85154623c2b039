import { type ShotFacts, type Weighing, netG } from '@calm-apron/core'
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
      ...(abandoned === null ? [] : [{ label: t('fact.abandoned'), value: t(`abandoned.${abandoned}`) }]),
      { label: t('fact.stream'), value: look.stream === null ? unknown() : t(`stream.${look.stream}`) },
      { label: t('fact.puck'), value: look.puck === null ? unknown() : t(`puck.${look.puck}`) },
      ...Object.entries(taste).map(([axis, value]) => ({
        label: t(`axis.${axis}`),
        value: value === null ? unknown() : String(value),
      })),
    ]
  }

  /** What differs between two states of the facts, in words. */
  function changes(before: ShotFacts, after: ShotFacts): string[] {
    const old = new Map(lines(before).map(({ label, value }) => [label, value]))
    return lines(after)
      .filter(({ label, value }) => old.get(label) !== value)
      .map(({ label, value }) =>
        t('reading.changed', { field: label, before: old.get(label) ?? unknown(), after: value }),
      )
  }

  return { lines, changes }
}
