import { ENDPOINTS } from '@calm-apron/contract'
import { v7 as uuidv7 } from 'uuid'
import { useI18n } from 'vue-i18n'
import { useRouter } from 'vue-router'
import { call } from '../../data/api/client.ts'
import { draftOf } from '../../shot/draft/shotDraft.ts'
import type { UnsentWrite } from '../../data/device/deviceDatabase.ts'
import { useDoor } from '../../data/door/door.ts'
import { useDrafts } from '../../shot/draft/drafts.ts'
import { useOutbox } from '../../data/outbox/outbox.ts'
import { usePreferences } from '../../kit/preferences.ts'

type RefusedShot = Extract<UnsentWrite, { kind: 'shot' }>

/** What a person can do about a shot that the server refused. */
export function useRefused() {
  const { t } = useI18n()
  const router = useRouter()
  const door = useDoor()
  const outbox = useOutbox()
  const drafts = useDrafts()
  const preferences = usePreferences()

  /** Opens it at the bar again as it was sent, with its curve; without room for that it stays as it is. */
  async function mend(write: RefusedShot): Promise<void> {
    const { facts, pulledAt, judgedBy: _judgedBy, series, ...setting } = write.body
    const draft = draftOf(
      {
        ...setting,
        shotId: write.shotId,
        madeAt: pulledAt,
        units: { ...preferences.units },
        correcting: null,
      },
      facts,
    )
    if (!(await drafts.takeBack(draft, series))) return
    await outbox.remove(write)
    await router.push({ name: 'shot', params: { shotId: write.shotId } })
  }

  /** The stored shot stays visible as it was; these numbers become its newest revision. */
  async function sendAsCorrection(write: RefusedShot): Promise<void> {
    const { shotId, body } = write
    const { current } = await call(ENDPOINTS.getShot, { params: { shotId } })
    await outbox.addCorrection(shotId, uuidv7(), {
      basedOnNo: current.revisionNo,
      judgedBy: door.personId,
      reason: t('waiting.secondTab'),
      correctedAt: new Date().toISOString(),
      facts: body.facts,
      note: body.note,
    })
    await outbox.remove(write)
    await router.push({ name: 'reading', params: { shotId } })
  }

  return { mend, sendAsCorrection }
}
