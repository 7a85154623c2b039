import type { PreparedKind } from '@calm-apron/contract'
import { useI18n } from 'vue-i18n'
import { useAcademy } from '../../../data/academy/academy.ts'
import { useFormat } from '../../../kit/units/useFormat.ts'
import type { FieldSpec } from './fieldSpec.ts'
import { unitOf } from './fieldUnit.ts'

/** One fact in words. */
export interface Fact {
  path: string
  label: string
  value: string
}

/** Names things that are spoken of by id. */
export type NameOf = (id: string) => string

/** Labels, hints and values of the fields of anything that is prepared, in the catalogue's words. */
export function useFieldWords(kind: PreparedKind, nameOf: NameOf = () => '') {
  const i18n = useI18n()
  const { t } = i18n
  const format = useFormat()
  const academy = useAcademy()

  /** The kind's own word for a field, else the one all kinds share. */
  function keyOf(part: 'label' | 'hint', path: string): string {
    const leaf = path.split('.').at(-1) ?? path
    const own = `prepared.${part}.${kind}-${leaf}`
    return i18n.te(own) ? own : `prepared.${part}.${leaf}`
  }
  const label = (path: string) => t(keyOf('label', path))
  const hint = (path: string) => (i18n.te(keyOf('hint', path)) ? t(keyOf('hint', path)) : undefined)

  function option(field: string, value: string): string {
    const own = `prepared.option.${kind}-${field}.${value}`
    return t(i18n.te(own) ? own : `prepared.option.${field}.${value}`)
  }

  function number(name: string, value: number): string {
    const unit = unitOf(name)
    if (unit === null) return format.plain(value)
    if ('quantity' in unit) return format.quantity(unit.quantity, value)
    return `${format.plain(value)} ${t(`prepared.unit.${unit.word}`)}`
  }

  function value(spec: FieldSpec, content: unknown): string {
    if (content === null || content === undefined || content === '') return t('prepared.notSaid')
    switch (spec.type) {
      case 'boolean':
        return t(content === true ? 'prepared.yes' : 'prepared.no')
      case 'number':
        return typeof content === 'number' ? number(spec.name, content) : ''
      case 'choice':
        return option(spec.name, textOf(content))
      case 'choices':
        return Array.isArray(content) && content.length > 0
          ? content.map((each) => option(spec.name, String(each))).join(', ')
          : t('prepared.none')
      case 'date':
        return format.calendarDate(textOf(content))
      case 'instant':
        return format.momentOf(textOf(content), academy.timeZone)
      case 'id':
        return nameOf(textOf(content)) || t('prepared.gone')
      default:
        return textOf(content)
    }
  }

  /** Every fact of a content, parts of parts too, in the schema's order. */
  function facts(fields: readonly FieldSpec[], content: unknown, path = ''): Fact[] {
    return fields.flatMap((spec): Fact[] => {
      const here = path === '' ? spec.name : `${path}.${spec.name}`
      const part = partOf(content, spec.name)
      if (spec.type === 'object' && part !== null && part !== undefined) return facts(spec.fields, part, here)
      if (spec.type === 'list') return listFacts(spec, part, here)
      return [{ path: here, label: label(here), value: value(spec, part) }]
    })
  }

  function listFacts(spec: Extract<FieldSpec, { type: 'list' }>, part: unknown, path: string): Fact[] {
    const items = Array.isArray(part) ? part : []
    return items.map((item, index) => ({
      path: `${path}.${index}`,
      label: `${label(path)} ${index + 1}`,
      value: facts(spec.fields, item)
        .filter(({ value: said }) => said !== t('prepared.notSaid'))
        .map((fact) => `${fact.label.toLowerCase()} ${fact.value}`)
        .join(', '),
    }))
  }

  /** What changed from one content to another, fact by fact. */
  function changes(fields: readonly FieldSpec[], before: unknown, after: unknown): string[] {
    const old = new Map(facts(fields, before).map((fact) => [fact.path, fact]))
    const now = facts(fields, after)
    const isStill = new Set(now.map(({ path }) => path))
    const gone = [...old.values()].filter(({ path }) => !isStill.has(path))
    return [
      ...now.flatMap(({ path, label: name, value: said }) => {
        const was = old.get(path)?.value ?? t('prepared.notSaid')
        return was === said ? [] : [t('prepared.change', { field: name, before: was, after: said })]
      }),
      ...gone
        .filter(({ value: said }) => said !== t('prepared.notSaid'))
        .map(({ label: name, value: was }) => t('prepared.changeGone', { field: name, before: was })),
    ]
  }

  return { label, hint, option, value, facts, changes }
}

function textOf(content: unknown): string {
  return typeof content === 'string' ? content : ''
}

function partOf(content: unknown, name: string): unknown {
  return typeof content === 'object' && content !== null
    ? Object.entries(content).find(([key]) => key === name)?.[1]
    : undefined
}
