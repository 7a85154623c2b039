<script setup lang="ts">
import { BOUNDS } from '@calm-apron/contract'
import { PUCKS, STREAMS, isLookedAt, streamOfMarks } from '@calm-apron/core'
import { computed, onMounted, useId } from 'vue'
import { useI18n } from 'vue-i18n'
import TextLines from '../../../kit/forms/TextLines.vue'
import ChoiceRow from '../../../kit/parts/ChoiceRow.vue'
import PhotoField from '../PhotoField.vue'
import PuckChoice from '../PuckChoice.vue'
import SignLooks from '../../facts/SignLooks.vue'
import FactFields from '../../facts/FactFields.vue'
import type { FactIssues } from '../../facts/factIssues.ts'
import type { ShotDraft } from '../../draft/shotDraft.ts'

defineProps<{ issues: FactIssues }>()
const draft = defineModel<ShotDraft>({ required: true })
const { t } = useI18n()
const noteId = useId()

const streams = computed(() => [
  ...STREAMS.map((value) => ({ value, label: t(`fact.stream.is.${value}`) })),
  { value: null, label: t('notSeen') },
])
const pucks = computed(() => [...PUCKS, null])

// What was marked while it ran need not be said again; it can be said otherwise.
onMounted(() => {
  draft.value.look.stream ??= streamOfMarks(draft.value.noted.marks)
})
</script>

<template>
  <div class="look">
    <ChoiceRow
      v-if="isLookedAt(draft.focus, 'stream')"
      v-model="draft.look.stream"
      :label="t('fact.stream.label')"
      :options="streams"
    />
    <PuckChoice
      v-if="isLookedAt(draft.focus, 'puck')"
      v-model="draft.look.puck"
      :label="t('fact.puck.label')"
      :options="pucks"
    />
    <FactFields v-model="draft" step="look" place="first" :issues="issues" />
    <p class="soft">{{ t('look.prompt') }}</p>
    <details>
      <summary>{{ t('look.more') }}</summary>
      <SignLooks v-model="draft" step="look" />
      <FactFields v-model="draft" step="look" place="more" :issues="issues" />
      <label :for="noteId">{{ t('look.note') }}</label>
      <TextLines :id="noteId" v-model="draft.note" :rows="2" :maxlength="BOUNDS.shotNoteLength.max" />
      <PhotoField v-model="draft.photos" />
    </details>
  </div>
</template>

<style scoped>
.look {
  display: grid;
  gap: 16px;
}
</style>
