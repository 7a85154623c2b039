<script setup lang="ts">
import { BOUNDS, type ShotDetail } from '@calm-apron/contract'
import { BAR_STEPS } from '@calm-apron/core'
import TextInput from '../../kit/forms/TextInput.vue'
import PressButton from '../../kit/parts/PressButton.vue'
import { v7 as uuidv7 } from 'uuid'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRouter } from 'vue-router'
import type { ShotDraft } from '../../shot/draft/shotDraft.ts'
import StepPanel from '../../shot/entry/StepPanel.vue'
import { useDraft } from '../../shot/draft/useDraft.ts'
import { unitAt, useIssueWords } from '../../shot/draft/useIssueWords.ts'
import { useDoor } from '../../data/door/door.ts'
import { useOutbox } from '../../data/outbox/outbox.ts'
import { useSettingWords } from '../../shot/grind/useSettingWords.ts'
import { useFactWords } from '../../shot/reading/useFactWords.ts'

const props = defineProps<{ found: ShotDraft; shot: ShotDetail }>()
const { t } = useI18n()
const router = useRouter()
const door = useDoor()
const outbox = useOutbox()
const issueWords = useIssueWords()
const printed = useSettingWords()
const { changes } = useFactWords((setting) => printed(props.shot.grinderId)(setting))
const { draft, read, grinder, vessels, basket, becomes, throwAway } = useDraft(props.found)
const isSaving = ref(false)
const wasTried = ref(false)

const reason = computed({
  get: () => draft.correcting?.reason ?? '',
  set: (text: string) => {
    if (draft.correcting) draft.correcting.reason = text
  },
})
const isNoteChanged = computed(() => draft.note.trim() !== props.shot.current.note.trim())
const changed = computed(() => [
  ...changes(props.shot.current.facts, read.value.facts),
  ...(isNoteChanged.value ? [t('correct.noteChanged')] : []),
])
const firstIssue = computed(() => read.value.issues[0] ?? null)
const isReasonShort = computed(() => reason.value.trim().length < BOUNDS.reasonLength.min)
const hindrance = computed(() => {
  if (firstIssue.value)
    return t('bar.mendFirst', {
      what: `${t(`step.${firstIssue.value.step}`)}: ${issueWords(firstIssue.value.issue, unitAt(firstIssue.value.field, draft.units))}`,
    })
  if (changed.value.length === 0) return t('correct.nothingChanged')
  return isReasonShort.value ? t('correct.reasonNeeded', { min: BOUNDS.reasonLength.min }) : ''
})

async function save(): Promise<void> {
  wasTried.value = true
  if (hindrance.value !== '' || isSaving.value || !draft.correcting) return
  isSaving.value = true
  try {
    const { basedOnNo } = draft.correcting
    await becomes(() => record(basedOnNo))
    await toReading()
  } finally {
    isSaving.value = false
  }
}

async function record(basedOnNo: number): Promise<void> {
  const { shotId } = draft
  const body = {
    basedOnNo,
    judgedBy: door.personId,
    reason: reason.value.trim(),
    correctedAt: new Date().toISOString(),
    facts: read.value.facts,
    note: isNoteChanged.value ? draft.note.trim() : null,
  }
  await outbox.addAll([{ kind: 'correction', shotId, revisionId: uuidv7(), body }], shotId)
}

const toReading = () => router.push({ name: 'reading', params: { shotId: draft.shotId } })
async function leave(): Promise<void> {
  await throwAway()
  await toReading()
}
</script>

<template>
  <div class="correct">
    <header>
      <h1 tabindex="-1">{{ t('correct.title') }}</h1>
      <p>{{ t('correct.intro') }}</p>
    </header>
    <section v-for="step in BAR_STEPS" :key="step" :aria-labelledby="`part-${step}`" class="part">
      <h2 :id="`part-${step}`">{{ t(`step.${step}`) }}</h2>
      <StepPanel
        v-model="draft"
        :step="step"
        :read="read"
        :recipe="shot.recipe"
        :grinder="grinder"
        :vessels="vessels"
        :basket="basket"
        :device="null"
        phase="stopped"
      />
    </section>
    <section class="finish">
      <p v-for="change in changed" :key="change" class="figure">{{ change }}</p>
      <label for="reason">{{ t('field.reason') }}</label>
      <TextInput
        id="reason"
        v-model="reason"
        :maxlength="BOUNDS.reasonLength.max"
        aria-describedby="reason-hint"
      />
      <p id="reason-hint" class="soft">{{ t('field.reasonHint') }}</p>
      <p v-if="wasTried && hindrance" class="hindrance" role="alert">{{ hindrance }}</p>
      <div class="actions">
        <PressButton kind="primary" is-large :is-busy="isSaving" @click="save">{{
          t('correct.save')
        }}</PressButton>
        <PressButton is-large @click="leave">{{ t('correct.cancel') }}</PressButton>
      </div>
    </section>
  </div>
</template>

<style scoped>
.correct {
  max-width: 1240px;
  margin: 0 auto;
  padding: 24px;
  columns: 2;
  column-gap: 56px;
}
header {
  column-span: all;
}
.part {
  break-inside: avoid;
  padding: 16px 0;
  border-top: 1px solid var(--mist);
}
.finish {
  column-span: all;
  border-top: 2px solid var(--pine);
  padding-top: 16px;
  display: grid;
  gap: 4px;
}
.finish p {
  margin: 0;
}
.hindrance {
  color: var(--plum);
}
.actions {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  margin-top: 8px;
}
@media (max-width: 860px) {
  .correct {
    columns: 1;
    padding: 16px;
  }
}
</style>
