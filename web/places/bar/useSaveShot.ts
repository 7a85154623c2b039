import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { PartNotFetched, useAppFiles } from '../../data/files/appFiles.ts'
import { useDoor } from '../../data/door/door.ts'
import { useOutbox } from '../../data/outbox/outbox.ts'
import { doseTastedG } from '../../shot/tasting/doseTasted.ts'
import { useCupsTasted } from '../../shot/tasting/cupsTasted.ts'
import { firstSlip } from '../../shot/tasting/firstSlip.ts'
import { isOfSet } from '../../shot/signOff/ofSet.ts'
import { type ShotRun, useShotRuns } from '../../shot/run/shotRuns.ts'
import { recordedShot } from './recordedShot.ts'

/** Records a shot that is under way: on this device at once, on the server as soon as it can be reached. */
export function useSaveShot({ draft, read, recipe, series, device, help, becomes }: ShotRun) {
  const router = useRouter()
  const door = useDoor()
  const outbox = useOutbox()
  const runs = useShotRuns()
  const files = useAppFiles()
  const cups = useCupsTasted()
  const isSaving = ref(false)
  let isRecorded = false
  const firstIssue = computed(() => read.value.issues[0] ?? null)

  async function save(): Promise<void> {
    if (isSaving.value) return
    if (firstIssue.value) {
      draft.step = firstIssue.value.step
      return
    }
    isSaving.value = true
    try {
      const { shotId } = draft
      if (!isRecorded) await becomes(record)
      isRecorded = true
      runs.close(shotId)
      await leadOn(shotId)
    } finally {
      // What failed can be saved again.
      isSaving.value = false
    }
  }

  /** A file that can't be fetched ends no shot: it is kept, and what comes next opens once it can. */
  async function leadOn(shotId: string): Promise<void> {
    try {
      await router.push({ name: draft.isCallAsked ? 'tasting' : 'reading', params: { shotId } })
    } catch (error) {
      if (!(error instanceof PartNotFetched)) throw error
      files.isAwaited = true
    }
  }

  /** Those who assess taste a set's cups by their digits: nobody waits for a trainer's note beside whoever pulled. */
  const tastedByDigits = () =>
    isOfSet(draft) && draft.areNotesAsked && door.isStaff
      ? [firstSlip(draft.shotId, 'trainer', door.personId, null)]
      : []

  async function record(): Promise<void> {
    const { shotId } = draft
    // Whatever is heard later of other shots: this is how it was.
    draft.noted.isHelped ??= help.isOn.value
    await series.restore()
    const packed = series.packed()
    const body = recordedShot(draft, {
      facts: read.value.facts,
      series: packed,
      judgedBy: door.personId,
      // By a person's word, or by that of the stand-in whose numbers it holds.
      isSimulated: draft.isSimulated || (device.isStandIn.value && packed !== null),
    })
    const photos = draft.photos.map(({ photoId, picture, takenAt }) => ({
      kind: 'photo' as const,
      shotId,
      photoId,
      body: { takenBy: door.personId, takenAt, picture },
    }))
    await outbox.addAll([{ kind: 'shot', shotId, body }, ...photos, ...tastedByDigits()], shotId)
    const { taste } = body.facts
    if (Object.values(taste).some((value) => value !== null))
      cups.tasted(door.personId, doseTastedG(body.facts, recipe.value?.targets ?? null))
  }

  return { save, isSaving, firstIssue }
}
