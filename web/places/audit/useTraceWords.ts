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
  const fields = useFieldLines()
  const { callLines, slipLines } = useSaidLines()

  function shotLines({ before, after }: AuditEntry): string[] {
    const now = shotFacts.safeParse(after)
    const old = shotFacts.safeParse(before)
    return now.success ? changes(old.success ? old.data : unknownFacts(), now.data) : []
  }

  /** The word of one thing that a trace says, before and after. */
  function wordLines(
    { before, after }: AuditEntry,
    wordOf: (said: unknown) => Record<string, string>,
  ): string[] {
    return fields(wordOf(before), wordOf(after))
  }

  function roleOf(said: unknown): Record<string, string> {
    const read = role.safeParse(said)
    return read.success ? { role: t(`role.${read.data.role}`) } : {}
  }

  function purposeOf(said: unknown): Record<string, string> {
    const read = purposeSaid.safeParse(said)
    return read.success ? { purpose: t(`purpose.${read.data.purpose}`) } : {}
  }

  function linkLines({ after }: AuditEntry): string[] {
    const made = linkKind.safeParse(after)
    return made.success ? [t(`audit.linkKind.${made.data.kind}`)] : []
  }

  const textOf = (said: unknown) => academyText.catch({}).parse(said)
  const LINES: Partial<Record<AuditEntry['kind'], (entry: AuditEntry) => string[]>> = {
    'shot-recorded': shotLines,
    'shot-corrected': shotLines,
    'role-changed': (entry) => wordLines(entry, roleOf),
    'person-added': (entry) => wordLines(entry, roleOf),
    'academy-changed': ({ before, after }) => fields(textOf(before), textOf(after)),
    'link-made': linkLines,
    'link-used': linkLines,
    'shot-repurposed': (entry) => wordLines(entry, purposeOf),
    'call-made': callLines,
    'slip-filled': slipLines,
    'slip-corrected': slipLines,
  }

  return { lines: (entry: AuditEntry) => LINES[entry.kind]?.(entry) ?? [] }
}

/** A field that was said anew, or changed. */
function useFieldLines() {
  const { t } = useI18n()

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
          ? t('audit.state', { field: name, value })
          : t('audit.change', { field: name, before: old, after: value }),
      ]
    })
  }

  return fields
}

/** What somebody said of a shot: their call, their taste. */
function useSaidLines() {
  const { t } = useI18n()
  const state = (field: string, value: string) => t('audit.state', { field, value })

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

  return { callLines, slipLines }
}
