import {
  type AuditEntry,
  CALL_MOVES,
  CALL_STAGES,
  INVITATION_KINDS,
  ROLES,
  SLIP_SIDES,
  shotFacts,
} from '@calm-apron/contract'
import { CALL_WORDS, SHOT_PURPOSES, TASTE_AXES, unknownFacts } from '@calm-apron/core'
import { useI18n } from 'vue-i18n'
import { z } from 'zod'
import { useFactWords } from '../../shot/reading/useFactWords.ts'

const role = z.object({ role: z.enum(ROLES) })
const academyText = z
  .object({ name: z.string(), town: z.string(), timeZone: z.string(), clockHabit: z.string() })
  .partial()
const purposeSaid = z.object({ purpose: z.enum(SHOT_PURPOSES) })
const linkKind = z.object({ kind: z.enum(INVITATION_KINDS) })
const callSaid = z.object({
  stage: z.enum(CALL_STAGES),
  verdict: z.enum(CALL_WORDS),
  cause: z.string().nullable(),
  move: z.enum(CALL_MOVES).nullable(),
})
const slipSaid = z.object({
  side: z.enum(SLIP_SIDES),
  taste: z.record(z.string(), z.number().nullable()).nullable(),
})

/** What a trace changed, line by line, in the words used elsewhere for the same things. */
export function useTraceWords() {
  const { t } = useI18n()
  const { changes } = useFactWords()
  const state = (field: string, value: string) => t('audit.state', { field, value })

  function fields(
    before: Record<string, string | undefined>,
    after: Record<string, string | undefined>,
  ): string[] {
    return Object.entries(after).flatMap(([field, value]) => {
      const old = before[field]
      const name = t(`audit.field.${field}`)
      if (value === undefined || value === old) return []
      return [
        old === undefined
          ? state(name, value)
          : t('audit.change', { field: name, before: old, after: value }),
      ]
    })
  }

  function shotLines({ before, after }: AuditEntry): string[] {
    const now = shotFacts.safeParse(after)
    const old = shotFacts.safeParse(before)
    return now.success ? changes(old.success ? old.data : unknownFacts(), now.data) : []
  }

  function roleLines({ before, after }: AuditEntry): string[] {
    const wordOf = (value: unknown) => {
      const read = role.safeParse(value)
      return read.success ? { role: t(`role.${read.data.role}`) } : {}
    }
    return fields(wordOf(before), wordOf(after))
  }

  function purposeLines({ before, after }: AuditEntry): string[] {
    const wordOf = (value: unknown) => {
      const read = purposeSaid.safeParse(value)
      return read.success ? { purpose: t(`purpose.${read.data.purpose}`) } : {}
    }
    return fields(wordOf(before), wordOf(after))
  }

  function callLines({ after }: AuditEntry): string[] {
    const said = callSaid.safeParse(after)
    if (!said.success) return []
    const { stage, verdict, cause, move } = said.data
    const parts = [
      t(`heading.${verdict}`),
      ...(cause === null ? [] : [t(`cause.${cause}`)]),
      ...(move === null ? [] : [t(`audit.move.${move}`)]),
    ]
    return [state(t(`audit.stage.${stage}`), parts.join(', '))]
  }

  function slipLines({ before, after }: AuditEntry): string[] {
    const now = slipSaid.safeParse(after)
    const old = slipSaid.safeParse(before)
    if (!now.success) return []
    const shown = (taste: Record<string, number | null> | null) =>
      TASTE_AXES.flatMap((axis) =>
        taste?.[axis] == null ? [] : [`${t(`fact.${axis}.label`)} ${taste[axis]}`],
      ).join(', ')
    const side = t(`audit.side.${now.data.side}`)
    const value = shown(now.data.taste)
    if (value === '') return []
    return old.success && old.data.taste !== null
      ? [t('audit.change', { field: side, before: shown(old.data.taste), after: value })]
      : [state(side, value)]
  }

  function lines(entry: AuditEntry): string[] {
    switch (entry.kind) {
      case 'shot-recorded':
      case 'shot-corrected':
        return shotLines(entry)
      case 'role-changed':
      case 'person-added':
        return roleLines(entry)
      case 'academy-changed':
        return fields(academyText.catch({}).parse(entry.before), academyText.catch({}).parse(entry.after))
      case 'link-made':
      case 'link-used': {
        const made = linkKind.safeParse(entry.after)
        return made.success ? [t(`audit.linkKind.${made.data.kind}`)] : []
      }
      case 'shot-repurposed':
        return purposeLines(entry)
      case 'call-made':
        return callLines(entry)
      case 'slip-filled':
      case 'slip-corrected':
        return slipLines(entry)
      default:
        return []
    }
  }

  return { lines }
}
