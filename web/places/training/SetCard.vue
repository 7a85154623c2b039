<script setup lang="ts">
import { SET_ENDS, type Seat, type SetEnd } from '@calm-apron/core'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink, useRouter } from 'vue-router'
import { v7 as uuidv7 } from 'uuid'
import { useAcademy } from '../../data/academy/academy.ts'
import { useDoor } from '../../data/door/door.ts'
import { useOutbox } from '../../data/outbox/outbox.ts'
import type { ListedShot } from '../../data/queries/useShots.ts'
import FormField from '../../kit/forms/FormField.vue'
import ChoiceRow from '../../kit/parts/ChoiceRow.vue'
import PressButton from '../../kit/parts/PressButton.vue'
import { type OpenAssessment, useAssessments } from '../../shot/signOff/assessments.ts'
import { lastCup, progressHere, seatAt, useProgrammeOf } from '../../shot/signOff/useSet.ts'
import type { StartWith } from '../../shot/start/useStartShot.ts'
import type { TrainingGroup } from '../../shot/training/useGroups.ts'

/** A group that is one person's until their set ends: what is next, and nothing of how it went. */
const props = defineProps<{
  assessment: OpenAssessment
  group: TrainingGroup
  listed: readonly ListedShot[]
}>()
const emit = defineEmits<{
  begin: [seat: Seat, recipeRevisionId: string | undefined, more: StartWith]
  goOn: [shotId: string]
}>()
const { t } = useI18n()
const router = useRouter()
const academy = useAcademy()
const door = useDoor()
const assessments = useAssessments()
const outbox = useOutbox()
const programme = useProgrammeOf(() => props.assessment)

const setup = computed(() => props.assessment.state.setup)
const person = computed(() => academy.personName(setup.value.personId))
const progress = computed(() =>
  programme.value === null ? null : progressHere(props.assessment, programme.value, props.listed),
)
const isLeading = computed(() => door.may('sign') && door.personId !== setup.value.personId)
const of = computed(() => programme.value?.set.shots ?? 0)
const n = computed(() => Math.min(of.value, (progress.value?.counted.length ?? 0) + 1))
const says = computed(() =>
  progress.value === null
    ? t('app.loading')
    : t(`signOff.set.next.${progress.value.next}`, { n: n.value, of: of.value }),
)
/** A reference that was off before the first shot: the bar is mended first. */
const isReferenceOff = computed(() => {
  if (progress.value?.next !== 'reference') return false
  const last = props.listed.find(
    ({ shot }) => shot.assessmentId === props.assessment.assessmentId && shot.purpose === 'reference',
  )
  return last !== undefined
})
const isReferenceDue = computed(() =>
  ['reference', 'reference-after', 'second-reference'].includes(progress.value?.next ?? ''),
)
const cup = computed(() => lastCup(props.assessment, props.listed))
const isFailing = ref(false)
/** The shot during which equipment failed, if it did: what was pulled last. */
const lastShotId = computed(() => progress.value?.counted.at(-1)?.shotId ?? null)
const grinder = computed(() => academy.grinder(setup.value.grinderId)?.name ?? '')

/** Voids the last shot; it never fails anybody, and another takes its place. */
async function voidLast(): Promise<void> {
  if (lastShotId.value === null) return
  const body = {
    repurposedBy: door.personId,
    purposeBefore: 'assessment' as const,
    purpose: 'equipment-failure' as const,
    faultShown: null,
    reason: reason.value.trim(),
    repurposedAt: new Date().toISOString(),
  }
  await outbox.add({ kind: 'repurposing', shotId: lastShotId.value, repurposingId: uuidv7(), body })
  isFailing.value = false
  reason.value = ''
}
const isEnding = ref(false)
const why = ref<Exclude<SetEnd, 'complete'>>('broken-off')
const reason = ref('')
const ends = computed(() =>
  SET_ENDS.flatMap((value) =>
    value === 'complete' ? [] : [{ value, label: t(`signOff.set.end.${value}`) }],
  ),
)

function pull(purpose: 'assessment' | 'practice' | 'dial-in' | 'reference'): void {
  const { recipeRevisionId } = setup.value
  const { assessmentId } = props.assessment
  const isReference = purpose === 'reference'
  const whom = isReference ? door.personId : setup.value.personId
  emit('begin', seatAt(props.assessment, whom), recipeRevisionId ?? undefined, {
    purpose,
    assessmentId,
    focus: null,
    grindOwner: programme.value?.grindOwner ?? 'trainee',
    ...(purpose === 'assessment'
      ? { isCallAsked: true, isFirstCallAsked: false, areNotesAsked: setup.value.isTasted }
      : { isCallAsked: false, isFirstCallAsked: false, areNotesAsked: false }),
  })
}
async function close(): Promise<void> {
  await assessments.note(props.assessment.assessmentId, { kind: 'closed', why: 'complete' })
  await router.push({ name: 'assessment', params: { assessmentId: props.assessment.assessmentId } })
}
async function breakOff(): Promise<void> {
  await assessments.note(
    props.assessment.assessmentId,
    { kind: 'closed', why: why.value },
    reason.value.trim(),
  )
}
</script>

<template>
  <section class="set" :aria-label="group.name" data-set>
    <h2>
      {{
        t('signOff.set.title', {
          group: group.name || t('bar.oneGroup'),
          programme: programme?.name ?? '',
          person,
        })
      }}
    </h2>
    <p class="theirs">{{ t('signOff.set.theirs', { person }) }}</p>
    <p class="now" role="status">{{ says }}</p>
    <p v-if="isReferenceOff" class="soft">{{ t('signOff.set.referenceOff') }}</p>
    <p v-if="progress?.pulledAgain" class="soft">{{ t('signOff.set.again') }}</p>
    <p v-if="(progress?.voided.length ?? 0) > 0" class="soft">
      {{ t('signOff.set.voided', progress?.voided.length ?? 0) }}
    </p>
    <p v-if="cup" class="cup" role="status">{{ t('signOff.cups.write', { cup }) }}</p>
    <PressButton v-if="group.begunShotId" kind="primary" is-large @click="emit('goOn', group.begunShotId)">{{
      t('bar.goOnShot')
    }}</PressButton>
    <template v-else-if="isLeading && progress">
      <PressButton v-if="isReferenceDue" kind="primary" is-large @click="pull('reference')">{{
        t('signOff.set.pullReference')
      }}</PressButton>
      <PressButton v-else-if="progress.next === 'pull'" kind="primary" is-large @click="pull('assessment')">{{
        t('signOff.set.pull', { n, of, person: person.split(' ')[0] ?? person })
      }}</PressButton>
      <PressButton v-else kind="primary" is-large @click="close">{{ t('signOff.set.close') }}</PressButton>
      <PressButton
        v-if="progress.next === 'pull' && progress.uncountedLeft > 0"
        @click="pull(programme?.grindOwner === 'trainee' ? 'dial-in' : 'practice')"
        >{{ t('signOff.set.uncounted', { left: progress.uncountedLeft }) }}</PressButton
      >

      <div v-if="!isEnding && !isFailing" class="actions">
        <PressButton v-if="lastShotId" kind="text" @click="isFailing = true">{{
          t('signOff.set.failed')
        }}</PressButton>
        <RouterLink
          v-if="setup.isTasted"
          class="link"
          :to="{ name: 'cups', params: { assessmentId: assessment.assessmentId } }"
          >{{ t('signOff.cups.taste') }}</RouterLink
        >
        <PressButton kind="text" @click="isEnding = true">{{ t('signOff.set.breakOff') }}</PressButton>
      </div>
      <form v-if="isFailing" class="end" @submit.prevent="voidLast">
        <FormField v-model="reason" :label="t('signOff.set.whatFailed')" />
        <div class="actions">
          <PressButton type="submit" :disabled="reason.trim().length < 3">{{
            t('signOff.set.voidIt')
          }}</PressButton>
          <PressButton kind="text" @click="isFailing = false">{{ t('signOff.leave') }}</PressButton>
        </div>
      </form>
      <form v-if="isEnding" class="end" @submit.prevent="breakOff">
        <ChoiceRow v-model="why" :label="t('signOff.set.why')" :options="ends" />
        <FormField v-model="reason" :label="t('signOff.begin.reason')" />
        <p class="soft">{{ t('signOff.set.endNote') }}</p>
        <div class="actions">
          <PressButton type="submit" :disabled="reason.trim().length < 3">{{
            t('signOff.set.breakOff')
          }}</PressButton>
          <PressButton kind="text" @click="isEnding = false">{{ t('signOff.leave') }}</PressButton>
        </div>
      </form>
    </template>
    <p v-if="programme?.grindOwner === 'trainee' && grinder">
      {{ t('signOff.set.ownGrind', { grinder, person }) }}
    </p>
    <p class="soft">{{ t('signOff.begin.caution') }}</p>
    <p class="soft">{{ t('signOff.set.offline') }}</p>
  </section>
</template>

<style scoped>
.set {
  display: grid;
  gap: 12px;
  align-content: start;
  padding: 12px 0 0;
  border-top: 6px solid var(--cornflower);
}
h2,
p {
  margin: 0;
}
.theirs {
  font-weight: 700;
}
.now {
  font-size: 1.2rem;
}
.cup {
  padding: 8px 12px;
  border-left: 4px solid var(--cornflower);
  background: var(--raised);
}
.link {
  min-height: 48px;
  display: inline-flex;
  align-items: center;
}
.end {
  display: grid;
  gap: 12px;
}
</style>
